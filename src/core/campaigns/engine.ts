/**
 * The decision of the campaign engine for one enrollment that is due: send, make a task, change something, part ways, wait, skip, and
 * what comes next. Values in, values out; the worker carries the effects out in one transaction.
 */
import { CHANNELS, type Because, type Channel, type DateKind, type Stage } from '../contacts';
import { fillFor, type MergeFields, type Words } from '../messages';
import type { Tree } from '../segments';
import { DAY } from '../shared';
import { beginConversation, CONVERSATION_CHANNEL, type ConversationFlow, type ConversationState } from '../conversations';
import { mayTouch, type Guardrails, type PermissionState, UNKNOWN_PERMISSION } from './guardrails';
import type { Ask, ContactUpdate, Plan, Program, Step, ConversationStep, TaskRole, TouchStep, WordsFrom } from './plan';
import { plannedAt, roundStart } from './schedule';

/** A version of a campaign, ready to be walked. */
export interface RunningCampaign {
  id: string;
  name: string;
  plan: Pick<Plan, 'repeat' | 'held' | 'anyStage' | 'ends' | 'starts'>;
  program: Program;
  /** The nominal day of each step. */
  days: ReadonlyMap<number, number>;
  /** The words of touches that take them from a template or A/B test. @param key the same key gets the same of an A/B test */
  wordsOf?: (from: WordsFrom, key: string) => FoundWords | null;
}
/** Words of a template, with the version they are of. */
export interface FoundWords {
  words: Words;
  templateId: string;
  version: number;
}

/** Where an enrollment stands, as the engine is told. */
export interface EnrollmentState {
  id: string;
  /** The id of the step at which it stands. */
  step: number;
  round: number;
  startedAt: Date;
  /** When the step before was carried out. */
  lastAt: Date | null;
  /** True when this step has waited already, so that the timeline says it once. */
  hasWaited: boolean;
}

/** What the engine and the guardrails must know of a contact to touch them. */
export interface TouchedContact {
  id: string;
  ownerId: string | null;
  stage: Stage;
  timeZone: string;
  doNotContact: boolean;
  onThePhone: boolean;
  householdSaysNo: boolean;
  registry: { registered: boolean; inquiredAt: Date | null };
  phone: string | null;
  phoneError: string | null;
  email: string | null;
  emailError: string | null;
  /** The mailing address in one line, when street, town and postal code are known. */
  mailingAddress: string | null;
  permissions: Partial<Record<Channel, PermissionState>>;
  fields: MergeFields;
  /** Whether a text ever went to them: the first says who writes and how to have no more. */
  textedBefore: boolean;
  /** What went to them by itself in the last 30 days. */
  touched: readonly { at: Date; channel: Channel }[];
  /** Month and day of their dates. */
  dates: Partial<Record<DateKind, readonly number[]>>;
  /** When they last answered, and last opened an e-mail. */
  answeredAt: Date | null;
  openedAt: Date | null;
  /** Whether a segment's condition applies to them now. */
  meets: (tree: Tree) => boolean;
}

/** What a step does when it falls due: a message, a task, a change, a conversation. */
export type TouchEffect =
  | {
      do: 'send';
      key: string;
      step: number;
      channel: Channel;
      address: string;
      subject: string | null;
      text: string;
      /** The body of an e-mail of blocks. */
      html: string | null;
      files: string[];
      usedPlain: boolean;
      /** Which template and which of its variants it is. */
      template: { id: string; version: number } | null;
      picks: string[];
      day: number;
      dated: boolean;
    }
  | { do: 'task'; key: string; step: number; role: TaskRole; note: string; day: number; call: boolean }
  | { do: 'change'; change: ContactUpdate; day: number }
  /** A conversation begins, with its first text. */
  | {
      do: 'talk';
      key: string;
      step: number;
      address: string;
      text: string;
      flow: ConversationFlow;
      progress: ConversationState;
      day: number;
    }
  | { do: 'tell'; kind: 'waits' | 'held'; channel: Channel; because: Because };

/** What the engine answers for one enrollment: its effects, and where it stands afterwards. */
export interface TouchDecision {
  effects: TouchEffect[];
  /** Where the enrollment stands afterwards. */
  next:
    | { state: 'active'; step: number; round: number; dueAt: Date; lastAt: Date | null; waiting: boolean }
    | { state: 'finished'; because: Because };
}

/** Of one instant; what is left of a plan that has more (changes, partings, dates that are not known) goes on a day later. */
const MOST_STEPS = 60;

const addressFor = (channel: Channel, contact: TouchedContact): { address: string | null; error: string | null } =>
  ({
    phone: { address: contact.phone, error: contact.phoneError },
    email: { address: contact.email, error: contact.emailError },
    mailing: { address: contact.mailingAddress, error: null },
  })[CHANNELS[channel].address];

/** Decides what is due of an enrollment up to the first step of a later instant. A touch that may not go is passed over with its reason; the campaign goes on. */
export function decideTouch(
  campaign: RunningCampaign,
  enrollment: EnrollmentState,
  contact: TouchedContact,
  guardrails: Guardrails,
  now: Date,
): TouchDecision {
  const effects: TouchEffect[] = [];
  let at: Place | null = { step: enrollment.step, round: enrollment.round };
  let lastAt = enrollment.lastAt;
  for (let taken = 0; at; taken += 1) {
    const node = campaign.program.nodes.get(at.step);
    if (!node) break;
    const { step } = node;
    const later = (dueAt: Date): TouchDecision => ({ effects, next: { state: 'active', ...at!, dueAt, lastAt, waiting: false } });
    if (taken >= MOST_STEPS) return later(new Date(now.getTime() + DAY));
    const due = dueAt(campaign, step, { ...enrollment, round: at.round, lastAt }, contact);
    /* A date that is not known: the step is passed over. */
    if (due === null) {
      at = placeAfter(campaign, at, node.next);
      continue;
    }
    if (taken > 0 && (due > now || effects.some(({ do: done }) => done === 'send' || done === 'task' || done === 'talk')))
      return later(due > now ? due : now);
    if (step.do === 'touch' || step.do === 'talk') {
      const { effect, waitsUntil, isLost } = touch(step, campaign, enrollment.id, at, contact, guardrails, now);
      if (waitsUntil) {
        if (!enrollment.hasWaited || taken > 0) effects.push(effect);
        return { effects, next: { state: 'active', ...at, dueAt: waitsUntil, lastAt, waiting: true } };
      }
      effects.push(effect);
      if (isLost) return { effects, next: { state: 'finished', because: { why: 'unreachable', campaign: campaign.name } } };
    } else if (step.do !== 'branch') effects.push(effectOf(step, campaign, enrollment.id, at));
    const next = step.do !== 'branch' ? node.next : answerOf(step.ask, enrollment, contact) ? node.yes : node.no;
    if (step.do !== 'branch') lastAt = now;
    at = placeAfter(campaign, at, next);
  }
  return { effects, next: { state: 'finished', because: { why: 'ran_through', campaign: campaign.name } } };
}

/** What becomes of a touch that is due; `isLost` when the campaign cannot reach them in any way and ends for that. */
function touch(
  step: TouchStep | ConversationStep,
  campaign: RunningCampaign,
  id: string,
  at: Place,
  contact: TouchedContact,
  guardrails: Guardrails,
  now: Date,
): { effect: TouchEffect; waitsUntil: Date | null; isLost: boolean } {
  const channel = step.do === 'talk' ? CONVERSATION_CHANNEL : step.channel;
  const verdict = verdictOn(channel, campaign, contact, guardrails, now, isDated(step, campaign));
  if (verdict.go === 'later' && campaign.plan.held === 'move')
    return { effect: { do: 'tell', kind: 'waits', channel, because: verdict.because }, waitsUntil: verdict.at, isLost: false };
  if (verdict.go !== true)
    return {
      effect: { do: 'tell', kind: 'held', channel, because: verdict.because },
      waitsUntil: null,
      isLost: verdict.go === false && campaign.plan.ends.unreachable === 'end' && !reaches(campaign, contact),
    };
  const effect =
    step.do === 'talk' ? startConversation(step, campaign, id, at, contact) : carryOut(step, campaign, id, at, contact);
  return { effect, waitsUntil: null, isLost: false };
}

/** A task or a change. */
function effectOf(step: Extract<Step, { do: 'task' | 'change' }>, campaign: RunningCampaign, id: string, at: Place): TouchEffect {
  const day = campaign.days.get(step.id) ?? 0;
  return step.do === 'change'
    ? { do: 'change', change: step.change, day }
    : { do: 'task', key: keyOf(id, at), step: step.id, role: step.role, note: step.note, day, call: false };
}

interface Place {
  step: number;
  round: number;
}
/** Where it goes on; from the end to the next round where there is one, null when it is over. */
function placeAfter({ program, plan: { repeat } }: RunningCampaign, { round }: Place, next: number | null): Place | null {
  if (next !== null) return { step: next, round };
  if (!repeat || program.entry === null || (repeat.times !== null && round + 1 >= repeat.times)) return null;
  return { step: program.entry, round: round + 1 };
}

/** When the first step is due for somebody who begins now; null when there is none, or when it needs a date that is not known. */
export function firstDue(
  { program }: Pick<RunningCampaign, 'program'>,
  startedAt: Date,
  timeZone: string,
  dates: TouchedContact['dates'] = {},
): { step: number; at: Date } | null {
  let id = program.entry;
  while (id !== null) {
    const node: { step: Step; next: number | null } = program.nodes.get(id)!;
    const at = plannedAt(node.step.when, { startedAt, lastAt: startedAt, timeZone, dates });
    if (at) return { step: id, at };
    id = node.next;
  }
  return null;
}

/** When a step is due: never before that of the step before it. */
function dueAt(
  campaign: RunningCampaign,
  step: Step,
  { startedAt, round, lastAt }: Pick<EnrollmentState, 'startedAt' | 'round' | 'lastAt'>,
  { timeZone, dates }: TouchedContact,
): Date | null {
  const begun = roundStart(startedAt, round, campaign.plan.repeat);
  const first = step.id === campaign.program.entry && round > 0;
  return plannedAt(step.when, {
    startedAt: begun,
    lastAt: first ? begun : lastAt && lastAt > begun ? lastAt : begun,
    timeZone,
    dates,
  });
}

/** Whether a step is tied to a date: one of the contact's own, or the day on which a campaign of days begins. */
const isDated = (step: Step, { plan }: RunningCampaign): boolean =>
  'date' in step.when ||
  (step.when.after === 'start' &&
    ('minutes' in step.when ? step.when.minutes < 1_440 : step.when.days === 0) &&
    plan.starts.length > 0 &&
    plan.starts.every(({ on }) => on === 'day' || on === 'date'));

const verdictOn = (
  channel: Channel,
  campaign: RunningCampaign,
  contact: TouchedContact,
  guardrails: Guardrails,
  now: Date,
  dated: boolean,
) => {
  const { address, error } = addressFor(channel, contact);
  return mayTouch(
    {
      channel,
      automatic: true,
      now,
      timeZone: contact.timeZone,
      stage: contact.stage,
      anyStage: campaign.plan.anyStage,
      doNotContact: contact.doNotContact,
      address,
      addressError: error,
      permission: contact.permissions[channel] ?? UNKNOWN_PERMISSION,
      wroteAt: null,
      onThePhone: contact.onThePhone,
      householdSaysNo: contact.householdSaysNo,
      registry: contact.registry,
      dated,
      ownDays: Object.values(contact.dates).flat(),
      touched: contact.touched,
    },
    guardrails,
  );
};

/** Whether any touch of the campaign could still reach them: an address that is right, and no word against the channel. */
function reaches({ program }: RunningCampaign, contact: TouchedContact): boolean {
  if (contact.doNotContact || contact.householdSaysNo) return false;
  return [...program.nodes.values()].some(({ step }) => {
    if (step.do !== 'touch' && step.do !== 'talk') return false;
    const channel = step.do === 'talk' ? CONVERSATION_CHANNEL : step.channel;
    const { address, error } = addressFor(channel, contact);
    return address !== null && !error && contact.permissions[channel]?.state !== 'withdrawn';
  });
}

/** The same for each attempt at a step of a round, so that the outbox takes it once. */
const keyOf = (id: string, { step, round }: Place): string => `e${id}-s${step}${round ? `-r${round}` : ''}`;

function carryOut(step: TouchStep, campaign: RunningCampaign, id: string, at: Place, contact: TouchedContact): TouchEffect {
  const key = keyOf(id, at);
  const day = campaign.days.get(step.id) ?? 0;
  const found = step.from ? (campaign.wordsOf?.(step.from, key) ?? null) : null;
  const source = found?.words ?? step.words;
  const words = fillFor(step.channel, source, contact.fields, { seed: key, textedBefore: contact.textedBefore });
  if (CHANNELS[step.channel].isTask) return { do: 'task', key, step: step.id, role: 'owner', note: words.text, day, call: true };
  return {
    do: 'send',
    key,
    step: step.id,
    channel: step.channel,
    address: addressFor(step.channel, contact).address!,
    subject: words.subject,
    text: words.text,
    html: words.html,
    files: words.files,
    usedPlain: words.usedPlain,
    template: found && { id: found.templateId, version: found.version },
    picks: found ? words.picks : [],
    day,
    dated: isDated(step, campaign),
  };
}

function startConversation(
  step: ConversationStep,
  campaign: RunningCampaign,
  id: string,
  at: Place,
  contact: TouchedContact,
): TouchEffect {
  const flow: ConversationFlow = {
    questions: step.questions,
    agent: contact.fields.agent_first_name ?? '',
    brokerage: contact.fields.brokerage ?? '',
  };
  const { progress, says } = beginConversation(flow);
  return {
    do: 'talk',
    key: keyOf(id, at),
    step: step.id,
    address: contact.phone!,
    text: says,
    flow,
    progress,
    day: campaign.days.get(step.id) ?? 0,
  };
}

function answerOf(ask: Ask, { startedAt }: EnrollmentState, contact: TouchedContact): boolean {
  switch (ask.about) {
    case 'answered':
      return contact.answeredAt !== null && contact.answeredAt >= startedAt;
    case 'opened':
      return contact.openedAt !== null && contact.openedAt >= startedAt;
    case 'has_phone':
      return contact.phone !== null && !contact.phoneError;
    case 'has_email':
      return contact.email !== null && !contact.emailError;
    case 'segment':
      return contact.meets(ask.tree);
  }
}
