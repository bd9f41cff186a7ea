/** How people behave: by script, when one was given for their address, or else by the habits of the demo, drawn from the address itself. */
import type { Journal } from './journal';

export type CallAnswer = 'answers' | 'voicemail' | 'busy' | 'no-answer' | 'wrong-number';

export interface Script {
  answers?: { to: 'text' | 'email' | 'call'; after: string; body: string }[];
  call?: CallAnswer;
  /** How long they talk before they hang up themselves; three minutes unless said. */
  talk?: string;
  /** `bounces`: refused at the door; `returns`, `delays`: taken, and then reported as undeliverable for good or for now; `complains`: called unwanted. */
  mail?: 'accepts' | 'bounces' | 'returns' | 'delays' | 'complains';
  /** After how long they open a mail, and whether they follow its first link. */
  opens?: string;
  clicks?: boolean;
  /** Stands on the do-not-call registry. */
  registered?: boolean;
}

const TEXT_ANSWERS = [
  'Yes, I am still looking. Could you call me this evening?',
  'We would love to see something with a garden. What is there under 500?',
  'Saturday morning would suit us',
  'Can you tell me more about the one on Heron Lane?',
  'Thanks! We are only starting to look, maybe spring',
  'Is the open house still on?',
  'Who is this?',
  'My husband says we need three bedrooms. Anything in Saltmarsh?',
];
const MAIL_ANSWERS = [
  'Thank you for writing.\n\nWe need three bedrooms and some quiet, and would like to move before the summer.',
  'Good morning,\n\ncould you send me two or three houses near the water?',
  'Hello, yes, next week is good. I am free on Wednesday after four.',
  'We sold ours on Monday, so it is getting serious. When can we meet?',
];

/** FNV-1a, so that an address always has the same habits. */
function drawn(text: string, sides: number): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at += 1) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return ((hash ^ (hash >>> 15)) >>> 0) % sides;
}

export const isoMs = (iso: string): number => {
  const match = /^P(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?(?:(\d+)S)?)?$/.exec(iso);
  if (!match) throw new Error(`${iso} is not a duration such as PT10M`);
  const [, days = 0, hours = 0, minutes = 0, seconds = 0] = match.map((part) => Number(part ?? 0));
  return (((days * 24 + hours) * 60 + minutes) * 60 + seconds) * 1000;
};

export class People {
  private readonly scripts = new Map<string, Script>();
  private readonly used = new Map<string, number>();

  constructor(
    private readonly journal: Journal,
    private readonly habits: boolean,
  ) {
    for (const line of journal.lines) {
      if (line.type === 'person') this.scripts.set(line.address as string, line.script as Script);
      if (line.type === 'used') this.used.set(line.of as string, line.times as number);
    }
  }

  script(address: string, script: Script): void {
    for (const answer of script.answers ?? []) isoMs(answer.after);
    if (script.talk) isoMs(script.talk);
    if (script.opens) isoMs(script.opens);
    this.scripts.set(address.toLowerCase(), script);
    this.journal.append({ type: 'person', address: address.toLowerCase(), script });
    for (const channel of ['text', 'email', 'call']) this.count(address, channel, 0);
  }

  private count(address: string, channel: string, times: number): void {
    const of = `${address.toLowerCase()} ${channel}`;
    this.used.set(of, times);
    this.journal.append({ type: 'used', of, times });
  }

  private turn(address: string, channel: string): number {
    const times = this.used.get(`${address.toLowerCase()} ${channel}`) ?? 0;
    this.count(address, channel, times + 1);
    return times;
  }

  /** What the person answers to a message, and when; null when they do not. Scripted answers are used up in their order. */
  answer(address: string, channel: 'text' | 'email' | 'call'): { afterMs: number; body: string } | null {
    const script = this.scripts.get(address.toLowerCase());
    const turn = this.turn(address, channel);
    if (script) {
      const answer = (script.answers ?? []).filter((one) => one.to === channel)[turn];
      return answer ? { afterMs: isoMs(answer.after), body: answer.body } : null;
    }
    return this.habits && channel !== 'call' ? habit(address, channel, turn) : null;
  }

  /** What happens when their phone rings. */
  phone(address: string): { call: CallAnswer; talkMs: number } {
    const script = this.scripts.get(address.toLowerCase());
    const turn = this.turn(address, 'ring');
    if (script) return { call: script.call ?? 'no-answer', talkMs: isoMs(script.talk ?? 'PT3M') };
    if (!this.habits) return { call: 'no-answer', talkMs: 0 };
    if (drawn(`wrong ${address}`, 100) < 3) return { call: 'wrong-number', talkMs: 0 };
    const side = drawn(`ring ${address} ${turn}`, 100);
    const talkMs = (20 + drawn(`talk ${address} ${turn}`, 400)) * 1000;
    return { call: side < 38 ? 'answers' : side < 70 ? 'voicemail' : side < 94 ? 'no-answer' : 'busy', talkMs };
  }

  /** What becomes of a mail that was taken. */
  afterMail(address: string): { report: 'returns' | 'delays' | 'complains' | null; opensMs: number | null; clicks: boolean } {
    const script = this.scripts.get(address.toLowerCase());
    if (script) {
      const { mail, opens, clicks = false } = script;
      const report = mail === 'returns' || mail === 'delays' || mail === 'complains' ? mail : null;
      return { report, opensMs: opens ? isoMs(opens) : null, clicks };
    }
    if (!this.habits) return { report: null, opensMs: null, clicks: false };
    const turn = this.turn(address, 'open');
    const side = drawn(`open ${address} ${turn}`, 100);
    const report =
      drawn(`report ${address} ${turn}`, 1_000) < 4
        ? 'returns'
        : drawn(`unwanted ${address} ${turn}`, 1_000) < 1
          ? 'complains'
          : null;
    return { report, opensMs: side < 38 ? (1 + drawn(`after ${address} ${turn}`, 900)) * 60_000 : null, clicks: side < 9 };
  }

  /** Whether a number stands on the do-not-call registry. */
  registered(number: string): boolean {
    return this.scripts.get(number)?.registered ?? (this.habits && drawn(`registry ${number}`, 100) < 6);
  }

  /** True when mail to the address comes back. */
  bounces(address: string): boolean {
    const script = this.scripts.get(address.toLowerCase());
    if (script) return script.mail === 'bounces';
    return this.habits && drawn(`mail ${address}`, 100) < 1;
  }
}

function habit(address: string, channel: 'text' | 'email', turn: number): { afterMs: number; body: string } | null {
  const side = drawn(`${channel} ${address} ${turn}`, 100);
  const minutes = 2 + drawn(`wait ${channel} ${address} ${turn}`, channel === 'text' ? 170 : 1_100);
  if (channel === 'text' && side < 3) return { afterMs: minutes * 60_000, body: 'STOP' };
  if (side >= (channel === 'text' ? 22 : 14)) return null;
  const words = channel === 'text' ? TEXT_ANSWERS : MAIL_ANSWERS;
  return { afterMs: minutes * 60_000, body: words[drawn(`words ${address} ${turn}`, words.length)]! };
}
