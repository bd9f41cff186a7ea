/**
 * The settings of an account: each is one entry here, and nothing else lists them. Their types, defaults, names in the API, the bounds that
 * input is checked by (`schemas.ts`) and the fields of Setup come from it.
 */
import { CONVERSATION_SECONDS } from '../calling';
import { DEFAULT_FORMAT, LOCALES, type FormatChoice } from '../format';
import { ROLES } from './rights';
import { START_STEP_KEYS } from './start';
import { STATE_CODES } from './states';

/** What a setting may be, and how Setup asks for it. */
export type SettingKind =
  | { type: 'time'; min?: string; max?: string }
  | { type: 'number'; min: number; max: number }
  | { type: 'text'; min: number; max: number }
  | { type: 'flag' }
  | { type: 'days' }
  | { type: 'choices'; of: readonly string[] }
  | { type: 'choice'; of: readonly string[] };

/** One setting of an account: its name, its bounds, its default and where it is changed. */
export interface Setting {
  /** What pages and API call it. */
  name: string;
  /** What the API called it before; still taken. */
  was?: string;
  kind: SettingKind;
  default: string | number | boolean | readonly string[];
  /** Where it is changed: in Setup under guardrails, tags, formats, office or start, or in Campaigns. */
  area: 'guardrails' | 'tags' | 'campaigns' | 'formats' | 'office' | 'start';
  /** Of a field among the guardrails, which Setup makes from this entry. */
  label?: string;
  help?: string;
}

export const SETTINGS = {
  /* Local clock times at the contact. 47 CFR 64.1200(c)(1) sets 8 a.m. and 9 p.m.; an account may confine them further. */
  sendStart: {
    name: 'send_start',
    was: 'quiet_to',
    kind: { type: 'time', min: '08:00' },
    default: '08:00',
    area: 'guardrails',
    label: 'Send from',
  },
  sendEnd: {
    name: 'send_end',
    was: 'quiet_from',
    kind: { type: 'time', max: '21:00' },
    default: '21:00',
    area: 'guardrails',
    label: 'Send until',
  },
  conversationSeconds: {
    name: 'conversation_seconds',
    kind: { type: 'number', min: 10, max: 3_600 },
    default: CONVERSATION_SECONDS,
    area: 'guardrails',
    label: 'Conversation, min. seconds',
  },
  capDay: {
    name: 'cap_day',
    kind: { type: 'number', min: 1, max: 10 },
    default: 2,
    area: 'guardrails',
    label: 'Max touches per day',
  },
  capWeek: {
    name: 'cap_week',
    kind: { type: 'number', min: 1, max: 30 },
    default: 5,
    area: 'guardrails',
    label: 'Max per 7 days',
  },
  capMonth: {
    name: 'cap_month',
    kind: { type: 'number', min: 1, max: 100 },
    default: 12,
    area: 'guardrails',
    label: 'Max per 30 days',
  },
  textGapHours: {
    name: 'text_gap_hours',
    kind: { type: 'number', min: 0, max: 168 },
    default: 4,
    area: 'guardrails',
    label: 'Hours between texts',
  },
  letterCents: {
    name: 'letter_cents',
    kind: { type: 'number', min: 0, max: 100_000 },
    default: 110,
    area: 'guardrails',
    label: 'Cost per letter, cents',
  },
  postalAddress: {
    name: 'postal_address',
    kind: { type: 'text', min: 10, max: 300 },
    default: '',
    area: 'guardrails',
    label: 'Office mailing address',
    /* 15 USC 7704(a)(5) */
    help: 'Shown in every email, as the law requires. Street or PO box, city, state, and ZIP.',
  },
  /* `2026-12-25`, `12-25` for every year, or a movable one by name. */
  holidays: {
    name: 'holidays',
    kind: { type: 'days' },
    default: ['01-01', '07-04', 'thanksgiving', '12-25'] as readonly string[],
    area: 'guardrails',
    label: 'Holidays',
    help: 'No automatic calls, texts, or emails go out on these days.',
  },
  /* All campaigns stand still, at once. */
  campaignsHeld: {
    name: 'campaigns_held',
    kind: { type: 'flag' },
    default: false,
    area: 'campaigns',
  },
  /* The formats of whoever has chosen none of their own. */
  locale: {
    name: 'locale',
    kind: { type: 'choice', of: LOCALES },
    default: DEFAULT_FORMAT.locale,
    area: 'formats',
  },
  clock: { name: 'clock', kind: { type: 'choice', of: ['region', '12', '24'] }, default: 'region', area: 'formats' },
  weekStart: {
    name: 'week_start',
    kind: { type: 'choice', of: ['region', 'sunday', 'monday', 'saturday'] },
    default: 'region',
    area: 'formats',
  },
  /* Roles that use tags but make no new ones. */
  tagBarred: {
    name: 'tag_barred',
    kind: { type: 'choices', of: ['agent', 'caller'] },
    default: [] as readonly string[],
    area: 'tags',
  },
  /* An inquiry is tagged with its town and postal code. */
  tagPlaces: { name: 'tag_places', kind: { type: 'flag' }, default: false, area: 'tags' },
  /* Roles that log in with a second step: a code of an app, or a passkey. */
  secondStepRoles: {
    name: 'second_step_roles',
    kind: { type: 'choices', of: ROLES },
    default: [] as readonly string[],
    area: 'office',
  },
  /* Where the brokerage is licensed. */
  states: { name: 'states', kind: { type: 'choices', of: STATE_CODES }, default: [] as readonly string[], area: 'office' },
  /* Steps of Setup → Start that somebody put aside. */
  skippedSteps: {
    name: 'skipped_steps',
    kind: { type: 'choices', of: START_STEP_KEYS },
    default: [] as readonly string[],
    area: 'start',
  },
} as const satisfies Record<string, Setting>;

/** The name of a setting in the code. */
export type SettingKey = keyof typeof SETTINGS;
type Entry<Key extends SettingKey> = (typeof SETTINGS)[Key];
/** What a value of the kind is, whatever its default. */
type ValueOf<Kind extends SettingKind> = Kind['type'] extends 'number'
  ? number
  : Kind['type'] extends 'flag'
    ? boolean
    : Kind['type'] extends 'days' | 'choices'
      ? readonly string[]
      : Kind extends { type: 'choice'; of: readonly (infer One)[] }
        ? One
        : string;

/** All settings of an account, by their names in the code. */
export type Settings = { [Key in SettingKey]: ValueOf<Entry<Key>['kind']> };
/** The settings as pages and API name them. */
export type SettingsView = { [Key in SettingKey as Entry<Key>['name']]: ValueOf<Entry<Key>['kind']> };

export const SETTING_KEYS = Object.keys(SETTINGS) as SettingKey[];
export const DEFAULT_SETTINGS = Object.fromEntries(SETTING_KEYS.map((key) => [key, SETTINGS[key].default])) as Settings;
/** All settings of an account, from those that it stated. */
export const settingsOf = (stated: Partial<Settings> | null | undefined): Settings => ({ ...DEFAULT_SETTINGS, ...stated });

export const settingsView = (settings: Settings): SettingsView =>
  Object.fromEntries(SETTING_KEYS.map((key) => [SETTINGS[key].name, settings[key]])) as SettingsView;

/** First days of the week by their numbers: 1 Monday to 7 Sunday. */
const WEEK_STARTS = { sunday: 7, monday: 1, saturday: 6 } as const;
type FormatSettings = Pick<SettingsView, 'locale' | 'clock' | 'week_start'>;
/** The formats that an account chose. */
export const formatOfSettings = ({ locale, clock, week_start }: FormatSettings): FormatChoice => ({
  locale,
  clock: clock === 'region' ? null : (Number(clock) as 12 | 24),
  weekStart: week_start === 'region' ? null : WEEK_STARTS[week_start],
});
/** The same the other way. */
export const settingsOfFormat = ({ locale, clock, weekStart }: FormatChoice): FormatSettings => ({
  locale,
  clock: clock === null ? 'region' : `${clock}`,
  week_start:
    (Object.keys(WEEK_STARTS) as (keyof typeof WEEK_STARTS)[]).find((name) => WEEK_STARTS[name] === weekStart) ?? 'region',
});

/** Of settings as the API names them, by today's names or by those before, what they are called here. */
export function settingsPatch(input: Readonly<Record<string, unknown>>): Partial<Settings> {
  const named = SETTING_KEYS.map((key) => {
    const { name, was }: Setting = SETTINGS[key];
    return [key, input[name] ?? (was === undefined ? undefined : input[was])] as const;
  });
  return Object.fromEntries(named.filter(([, value]) => value !== undefined));
}
