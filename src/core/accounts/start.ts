/** Setup → Start: the first steps of a brokerage, and what is not connected or missing, each by what the data says and with the place to do it. */
import { formatNumber } from '../format';

/** What is known of how far a brokerage has come. */
export interface StartFacts {
  contacts: number;
  /** Whether email goes out, and how the account's own mail server is. */
  mail: 'connected' | 'checking' | 'failing' | 'missing';
  /** Lead sources doors that leads can come by, made by the account; and whether one has brought a lead, if only a test. */
  sources: number;
  leads: number;
  /** People besides the first, and invitations that are open. */
  users: number;
  invited: number;
  postalAddress: boolean;
  campaignsOn: number;
  /** People on any roster. */
  onRosters: number;
  texts: boolean;
  calls: boolean;
  letters: boolean;
  registry: boolean;
  receivesMail: boolean;
}

export const START_STEP_KEYS = ['contacts', 'mail', 'source', 'agents', 'guardrails', 'campaign'] as const;
/** One of the first steps. */
export type StartStepKey = (typeof START_STEP_KEYS)[number];

/** A step as Setup shows it. */
export interface StartStep {
  key: StartStepKey;
  name: string;
  /** How far it has come, or what it is for. */
  detail: string;
  state: 'done' | 'open' | 'skipped';
  /** The button, and where it leads; null where it sends a test lead. */
  does: string;
  place: string | null;
}

const count = (n: number, one: string, many = `${one}s`): string => `${formatNumber(n)} ${n === 1 ? one : many}`;

const MAIL: Record<StartFacts['mail'], string> = {
  connected: 'Email goes out.',
  checking: 'Your mail server is being tested.',
  failing: 'Your mail server didn’t take the test email. See what it said.',
  missing: 'Without it no email goes out: no campaigns, no invitations, no password links.',
};

type Step = Omit<StartStep, 'key' | 'state'> & { done: boolean };

/** Each step in its order, by how far it has come. */
const STEPS: Record<StartStepKey, (facts: StartFacts) => Step> = {
  contacts: ({ contacts }) => ({
    name: 'Bring your contacts',
    done: contacts > 0,
    detail: contacts ? `${count(contacts, 'contact')} so far.` : 'From a spreadsheet or an address book.',
    does: 'Import contacts',
    place: '/contacts/import',
  }),
  mail: ({ mail }) => ({
    name: 'Connect email',
    done: mail === 'connected',
    detail: MAIL[mail],
    does: 'Connect email',
    place: '/setup/connections#mail-server',
  }),
  source: ({ sources, leads }) => ({
    name: 'Add your first lead source',
    done: sources > 0 && leads > 0,
    detail: leads ? `${count(leads, 'lead')} came in.` : 'Then send a test lead and see who gets it.',
    does: sources ? 'Send a test lead' : 'Add a lead source',
    place: sources ? null : '/setup/sources#doors',
  }),
  agents: ({ users, invited }) => ({
    name: 'Invite your agents',
    done: users > 1,
    detail:
      users > 1 || invited
        ? `${count(users, 'user')}${invited ? `, ${count(invited, 'invitation')} open` : ''}.`
        : 'They get a link and choose their own password.',
    does: 'Invite people',
    place: '/setup/office#users',
  }),
  guardrails: ({ postalAddress }) => ({
    name: 'Choose your guardrails',
    done: postalAddress,
    detail: postalAddress
      ? 'Send times, limits and your mailing address are set.'
      : 'When messages may go out, how many, and the mailing address that every marketing email must show.',
    does: 'Open guardrails',
    place: '/setup/guardrails',
  }),
  campaign: ({ campaignsOn }) => ({
    name: 'Turn on a first campaign',
    done: campaignsOn > 0,
    detail: campaignsOn
      ? `${count(campaignsOn, 'campaign')} on.`
      : 'Read what it sends, then turn it on. Ready-made ones are waiting as drafts.',
    does: 'Open campaigns',
    place: '/campaigns',
  }),
};

/** The first steps in their order. */
export const startSteps = (facts: StartFacts, skipped: readonly string[]): StartStep[] =>
  START_STEP_KEYS.map((key) => {
    const { done, ...step } = STEPS[key](facts);
    return { key, ...step, state: done ? 'done' : skipped.includes(key) ? 'skipped' : 'open' };
  });

/** Something that is missing and nobody's step: what it means, and the place to mend it; none where only the installation's settings do. */
export interface StartGap {
  name: string;
  detail: string;
  place: string | null;
}

/** What does not work yet. */
export function startGaps(facts: StartFacts): StartGap[] {
  const gaps: (StartGap | false)[] = [
    facts.onRosters === 0 && {
      name: 'No one is on a roster',
      detail: 'Every lead goes to the safety net.',
      place: '/routing',
    },
    !facts.texts && { name: 'Texts', detail: 'Nothing is sent yet. Set SMS_URL where Urraca runs.', place: null },
    !facts.calls && {
      name: 'Calls from the page',
      detail: 'Phone numbers open your own phone. Set VOICE_URL where Urraca runs.',
      place: null,
    },
    !facts.letters && {
      name: 'Letters by mail',
      detail: 'You can print letters yourself. Set POST_URL where Urraca runs.',
      place: null,
    },
    !facts.registry && {
      name: 'Do-not-call registry',
      detail: 'Numbers that need a check can’t be called from the page. Set REGISTRY_URL where Urraca runs.',
      place: null,
    },
    !facts.receivesMail && {
      name: 'Mail that comes in',
      detail: 'Replies go to the agent’s own mailbox, and lead emails aren’t read. Set MAIL_DOMAIN where Urraca runs.',
      place: null,
    },
  ];
  return gaps.filter((gap) => gap !== false);
}
