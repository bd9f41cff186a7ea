/**
 * The guardrails: what holds for every campaign, call and message. One pure function answers may-this-touch-go; it is
 * asked when a touch falls due and again at the moment an outbox row is handed to a provider.
 *
 * Permission: an automatic text needs a recorded yes (47 CFR 64.1200(a): prior express consent for automated texts);
 * e-mail, letters and calls go unless withdrawn (15 USC 7704: opt-out). A person's own text answers somebody, so it
 * goes unless withdrawn. Quiet hours: 47 CFR 64.1200(c)(1), 8 to 21 o'clock at the called party's location. Caps, the gap
 * between texts and holidays are our own and hold for what goes by itself, not for what a person writes. The do-not-call registry:
 * 47 CFR 64.1200(c)(2), unless they agreed to calls or asked within three months (64.1200(f)(5), established business relationship).
 */
import type { Settings } from '../accounts';
import type { Because } from '../contacts';
import { DAY, HOUR, localDate, localInstant, localMinutes, MINUTE, minutesOf } from '../shared';
import { holidayOn } from './holidays';
import { CHANNELS, isFollowedUp, stepOf, type Channel, type Stage } from '../contacts';

/** The settings of an account that say whether a touch may go. */
export type Guardrails = Pick<
  Settings,
  'sendStart' | 'sendEnd' | 'capDay' | 'capWeek' | 'capMonth' | 'textGapHours' | 'holidays'
>;

/** What is known of the permission for one channel. */
export interface PermissionState {
  state: 'granted' | 'withdrawn' | 'unknown';
  at: Date | null;
  how: string | null;
}
export const UNKNOWN_PERMISSION: PermissionState = { state: 'unknown', at: null, how: null };

/** What the guardrails are asked: may this go, to them, by this channel, now. */
export interface TouchQuestion {
  channel: Channel;
  automatic: boolean;
  /** The one message that says that their refusal was heard; it goes whatever was withdrawn. */
  confirms?: boolean;
  /** Tied to a day that a person set, or to a date of the contact's own: it goes on that day, holiday or not. */
  dated?: boolean;
  /** Their own dates, by month and day (1123 for November 23): what a holiday put off is not put onto one of them. */
  ownDays?: readonly number[];
  /** Goes by itself and answers what they wrote: a conversation that they are having. */
  answers?: boolean;
  now: Date;
  timeZone: string;
  stage: Stage;
  /** The campaign is also for people with whom somebody works already. */
  anyStage?: boolean;
  doNotContact: boolean;
  /** The household is not to be contacted. */
  householdSaysNo?: boolean;
  /** The number stands on the do-not-call registry; `inquiredAt` is when they last asked us something. */
  registry?: {
    registered: boolean;
    inquiredAt: Date | null;
    /** Nobody has asked the registry about it yet. */ unchecked?: boolean;
  };
  /** The template's daily cap, and how many of it went today. */
  template?: { name: string; cap: number; sent: number } | null;
  /** The phone, e-mail or (for a letter) the complete mailing address in one line; null when there is none. */
  address: string | null;
  addressError: string | null;
  permission: PermissionState;
  /** When the person last wrote to us: for an hour, an answer by hand is not held by quiet hours. */
  wroteAt: Date | null;
  /** True while a call with this person is under way. */
  onThePhone: boolean;
  /** Automatic touches that went to this person in the last 30 days, over all channels and campaigns. */
  touched: readonly { at: Date; channel: Channel }[];
}

/** What the guardrails answer: it goes, it goes later, or it does not, with the reason. */
export type Verdict = { go: true } | { go: 'later'; at: Date; because: Because } | { go: false; because: Because };

/** One guardrail: what it says of a touch; null when it has nothing against it. */
type Rule = (question: TouchQuestion, guardrails: Guardrails) => Verdict | null;
const no = (because: Because): Verdict => ({ go: false, because });
const later = (at: Date, because: Because): Verdict => ({ go: 'later', at, because });

const confirmsRefusal: Rule = ({ confirms, address, addressError }) =>
  confirms && address && !addressError ? { go: true } : null;
const markedNo: Rule = ({ doNotContact, householdSaysNo, channel }) =>
  doNotContact ? no({ why: 'do_not_contact', channel }) : householdSaysNo ? no({ why: 'household_says_no', channel }) : null;
const stageAllows: Rule = ({ automatic, stage, anyStage, channel }) =>
  automatic && (stepOf(stage) === 'archived' || (!anyStage && !isFollowedUp(stage)))
    ? no({ why: 'not_followed_up', channel, stage })
    : null;
const hasAddress: Rule = ({ address, addressError, channel }) => {
  if (!address) return no({ why: 'no_address', channel });
  return addressError ? no({ why: 'address_broken', channel, error: addressError }) : null;
};
const permits: Rule = ({ permission, channel, automatic, now, timeZone }) => {
  if (permission.state === 'withdrawn')
    return no({
      why: 'withdrawn',
      channel,
      on: (permission.at ?? now).toISOString(),
      zone: timeZone,
      how: permission.how ?? 'recorded',
    });
  return CHANNELS[channel].needsYes && automatic && permission.state !== 'granted' ? no({ why: 'no_permission', channel }) : null;
};
/** Unless they agreed, or asked us something lately. */
const registryAllows: Rule = (question) => {
  const { channel, permission, registry, automatic, now } = question;
  if (!CHANNELS[channel].heedsRegistry || permission.state === 'granted' || askedLately(question)) return null;
  if (registry?.registered) return no({ why: 'registry', channel });
  return !automatic && registry?.unchecked
    ? later(new Date(now.getTime() + MINUTE), { why: 'registry_unchecked', channel })
    : null;
};
const callIsOver: Rule = ({ automatic, channel, onThePhone, now, timeZone }) => {
  if (!automatic || !CHANNELS[channel].isInstant || !onThePhone) return null;
  const at = new Date(now.getTime() + 10 * MINUTE);
  return later(at, { why: 'on_the_phone_now', channel, until: at.toISOString(), zone: timeZone });
};
const templateAllows: Rule = ({ template, channel, now, timeZone }, { sendStart }) => {
  if (!template || template.sent < template.cap) return null;
  const at = localInstant(now, timeZone, 1, sendStart);
  return later(at, {
    why: 'template_cap',
    channel,
    template: template.name,
    most: template.cap,
    until: at.toISOString(),
    zone: timeZone,
  });
};
/** Whoever asks is answered: what answers somebody is not paced, and keeps to everything else. */
const isPaced: Rule = (question, guardrails) =>
  question.automatic && !question.answers ? pacedUntil(question, guardrails) : null;
/** For an hour, what a person of ours writes answers what they wrote. */
const answersByHand = ({ automatic, wroteAt, now }: TouchQuestion): boolean =>
  !automatic && wroteAt !== null && now.getTime() - wroteAt.getTime() <= HOUR;
const outsideQuietHours: Rule = (question, guardrails) => {
  const { channel, now, timeZone } = question;
  const opens = !CHANNELS[channel].isInstant || answersByHand(question) ? null : quietUntil(now, timeZone, guardrails);
  if (!opens) return null;
  const { sendStart: from, sendEnd: to } = guardrails;
  return later(opens, { why: 'quiet_hours', channel, until: opens.toISOString(), zone: timeZone, from, to });
};
const noHoliday: Rule = (question, guardrails) => {
  const { channel, automatic, dated, now, timeZone } = question;
  if (!CHANNELS[channel].isInstant || !automatic || dated) return null;
  if (!isHoliday(now, timeZone, guardrails) && !isSecondAfterHoliday(question, guardrails)) return null;
  const at = afterHolidays(now, timeZone, guardrails);
  return later(at, { why: 'holiday', channel, until: at.toISOString(), zone: timeZone });
};

/** In the order in which they are asked: the first that has something to say decides. */
const RULES: readonly Rule[] = [
  confirmsRefusal,
  markedNo,
  stageAllows,
  hasAddress,
  permits,
  registryAllows,
  callIsOver,
  templateAllows,
  isPaced,
  outsideQuietHours,
  noHoliday,
];

/** Whether a touch may go now, must wait until an instant, or may not go; with the reason. */
export function mayTouch(question: TouchQuestion, guardrails: Guardrails): Verdict {
  for (const rule of RULES) {
    const verdict = rule(question, guardrails);
    if (verdict) return verdict;
  }
  return { go: true };
}

const ASKED_LATELY = 90 * DAY;
/** A question of theirs makes us welcome for three months. */
const askedLately = ({ registry, now }: TouchQuestion): boolean =>
  Boolean(registry?.inquiredAt) && now.getTime() - registry!.inquiredAt!.getTime() <= ASKED_LATELY;

/** The instant at which quiet hours end at the contact; null when `now` is not in them. */
export function quietUntil(now: Date, timeZone: string, guardrails: Pick<Guardrails, 'sendStart' | 'sendEnd'>): Date | null {
  const minutes = localMinutes(now, timeZone);
  if (minutes < minutesOf(guardrails.sendStart)) return localInstant(now, timeZone, 0, guardrails.sendStart);
  if (minutes >= minutesOf(guardrails.sendEnd)) return localInstant(now, timeZone, 1, guardrails.sendStart);
  return null;
}

const isHoliday = (at: Date, timeZone: string, { holidays }: Guardrails): boolean =>
  holidayOn(localDate(at, timeZone), holidays) !== null;

/**
 * On the day after a holiday, a second email: one of the two was put off, and nobody gets both on one day for that. A date of theirs counts as
 * one that is still to come: it is congratulated on its day.
 */
function isSecondAfterHoliday({ channel, now, timeZone, touched, ownDays = [] }: TouchQuestion, guardrails: Guardrails): boolean {
  if (!CHANNELS[channel].isOnceAfterHoliday || !isHoliday(new Date(now.getTime() - DAY), timeZone, guardrails)) return false;
  const today = localDate(now, timeZone);
  if (ownDays.includes(Number(today.slice(5).replace('-', '')))) return true;
  return touched.some((one) => one.channel === channel && localDate(one.at, timeZone) === today);
}
/** The morning after; a calendar on which every day is a holiday holds for ten days at most. */
function afterHolidays(now: Date, timeZone: string, guardrails: Guardrails): Date {
  let at = localInstant(now, timeZone, 1, guardrails.sendStart);
  for (let days = 2; days <= 10 && isHoliday(at, timeZone, guardrails); days += 1)
    at = localInstant(now, timeZone, days, guardrails.sendStart);
  return at;
}

/** Caps over all channels, and the gap between two texts. A call task is for a person, who decides; it is neither counted nor held. */
function pacedUntil({ channel, now, timeZone, touched }: TouchQuestion, guardrails: Guardrails): Verdict | null {
  const { isCapped, gap: setting } = CHANNELS[channel];
  if (!isCapped || !touched.length) return null;
  if (setting) {
    const hours = guardrails[setting];
    const at = new Date(
      Math.max(...touched.filter((one) => one.channel === channel).map((one) => one.at.getTime())) + hours * HOUR,
    );
    if (at > now) {
      return later(at, {
        why: 'text_gap',
        channel,
        hours,
        until: at.toISOString(),
        zone: timeZone,
      });
    }
  }
  const spans = [
    { days: 30, most: guardrails.capMonth },
    { days: 7, most: guardrails.capWeek },
    { days: 1, most: guardrails.capDay },
  ] as const;
  for (const { days, most } of spans) {
    const since = now.getTime() - days * DAY;
    const within = touched
      .map(({ at }) => at.getTime())
      .filter((at) => at > since)
      .sort((a, b) => a - b);
    if (within.length < most) continue;
    /* Free again when so many have left the span that one fewer than the cap is in it. */
    const at = new Date(most > 0 ? within[within.length - most]! + days * DAY : now.getTime() + days * DAY);
    return later(at, { why: 'capped', channel, most, days, until: at.toISOString(), zone: timeZone });
  }
  return null;
}
