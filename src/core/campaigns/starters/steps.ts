/** Short ways to write down steps and their whole wording. Ids are the places in the list. */
import { DEFAULT_QUESTIONS, TALK_ASKS } from '../../conversations';
import { NO_PLAN, type Plan, type Step, type StepTiming } from '../plan';

/** A campaign that ships with Urraca, to copy and change. */
export interface Starter {
  key: string;
  name: string;
  /** What it does, in a sentence. */
  about: string;
  /** Of campaigns of a group a person is in one at a time. */
  group: string | null;
  plan: Plan;
}

type Unnumbered = Step extends infer S ? (S extends Step ? Omit<S, 'id'> : never) : never;

export const AT_ONCE: StepTiming = { after: 'start', minutes: 0 };
/** A local day after the beginning at a clock time. */
export const day = (days: number, at = '10:00', on?: number[]): StepTiming => ({
  after: 'start',
  days,
  at,
  ...(on ? { on } : {}),
});
/** Monday to Thursday: letters and calls that should not meet a weekend. */
export const WEEKDAYS = [1, 2, 3, 4];

/** Signed by the agent; every message of a starter ends so. */
export const SIGNED = '\n\n{{ agent_signature }}';

export const text = (when: StepTiming, words: string, plain = words): Unnumbered => ({
  do: 'touch',
  channel: 'text',
  when,
  words: { text: words, plain },
});
const signed =
  (channel: 'email' | 'letter') =>
  (when: StepTiming, subject: string, words: string, plain = words): Unnumbered => ({
    do: 'touch',
    channel,
    when,
    words: { subject, text: `${words}${SIGNED}`, plain: `${plain}${SIGNED}` },
  });
export const email = signed('email');
export const letter = signed('letter');
export const call = (when: StepTiming, words: string): Unnumbered => ({
  do: 'touch',
  channel: 'call',
  when,
  words: { text: words, plain: words },
});

/** A qualifying conversation by text, with all its questions. */
export const assistant = (when: StepTiming): Unnumbered => ({
  do: 'talk',
  when,
  questions: TALK_ASKS.map((asks) => ({ asks, words: DEFAULT_QUESTIONS[asks], fieldId: null })),
});

export const plan = (steps: Unnumbered[], more: Partial<Plan> = {}): Plan => ({
  ...NO_PLAN,
  ...more,
  steps: steps.map((step, id) => ({ ...step, id })),
});
