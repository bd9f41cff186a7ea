/**
 * The guardrails: what holds for every campaign, call and message. One pure function answers may-this-touch-go; it is
 * asked when a touch falls due and again at the moment an outbox row is handed to a provider.
 *
 * Permission: an automatic text needs a recorded yes (47 CFR 64.1200(a): prior express consent for automated texts);
 * e-mail, letters and calls go unless withdrawn (15 USC 7704: opt-out). A person's own text answers somebody, so it
 * goes unless withdrawn. Quiet hours: 47 CFR 64.1200(c)(1), 8 to 21 o'clock at the called party's location.
 */
import type { Because } from '../contacts';
import { HOUR, localInstant, localMinutes, MINUTE, minutesOf } from '../shared';
import { isFollowedUp, type Channel, type Stage } from '../contacts';

export interface Guardrails {
  /** Local clock times at the contact between which touches go. */
  quietTo: string;
  quietFrom: string;
}
export const DEFAULT_GUARDRAILS: Guardrails = { quietTo: '08:00', quietFrom: '21:00' };

export interface PermissionState {
  state: 'granted' | 'withdrawn' | 'unknown';
  at: Date | null;
  how: string | null;
}
export const UNKNOWN_PERMISSION: PermissionState = { state: 'unknown', at: null, how: null };

export interface TouchQuestion {
  channel: Channel;
  automatic: boolean;
  now: Date;
  timeZone: string;
  stage: Stage;
  doNotContact: boolean;
  /** The phone, e-mail or (for a letter) the complete mailing address in one line; null when there is none. */
  address: string | null;
  addressFault: string | null;
  permission: PermissionState;
  /** When the person last wrote to us: for an hour, an answer by hand is not held by quiet hours. */
  wroteAt: Date | null;
  /** True while a call with this person is under way. */
  onThePhone: boolean;
}

export type Verdict = { go: true } | { go: 'later'; at: Date; because: Because } | { go: false; because: Because };

/** Whether a touch may go now, must wait until an instant, or may not go; with the reason. */
export function mayTouch(question: TouchQuestion, guardrails: Guardrails): Verdict {
  const { channel, automatic, now, timeZone, permission } = question;
  const no = (because: Because): Verdict => ({ go: false, because });
  if (question.doNotContact) return no({ why: 'do_not_contact', channel });
  if (automatic && !isFollowedUp(question.stage)) return no({ why: 'not_followed_up', channel, stage: question.stage });
  if (!question.address) return no({ why: 'no_address', channel });
  if (question.addressFault) return no({ why: 'address_broken', channel, fault: question.addressFault });
  if (permission.state === 'withdrawn') {
    return no({
      why: 'withdrawn',
      channel,
      on: (permission.at ?? now).toISOString(),
      zone: timeZone,
      how: permission.how ?? 'recorded',
    });
  }
  if (channel === 'text' && automatic && permission.state !== 'granted') return no({ why: 'no_permission', channel });
  if (automatic && channel !== 'letter' && question.onThePhone) {
    const at = new Date(now.getTime() + 10 * MINUTE);
    return { go: 'later', at, because: { why: 'on_the_phone_now', channel, until: at.toISOString(), zone: timeZone } };
  }
  const answers = !automatic && question.wroteAt !== null && now.getTime() - question.wroteAt.getTime() <= HOUR;
  if (channel !== 'letter' && !answers) {
    const opens = quietUntil(now, timeZone, guardrails);
    if (opens) {
      return {
        go: 'later',
        at: opens,
        because: {
          why: 'quiet_hours',
          channel,
          until: opens.toISOString(),
          zone: timeZone,
          from: guardrails.quietTo,
          to: guardrails.quietFrom,
        },
      };
    }
  }
  return { go: true };
}

/** The instant at which quiet hours end at the contact; null when `now` is not in them. */
export function quietUntil(now: Date, timeZone: string, guardrails: Guardrails): Date | null {
  const minutes = localMinutes(now, timeZone);
  if (minutes < minutesOf(guardrails.quietTo)) return localInstant(now, timeZone, 0, guardrails.quietTo);
  if (minutes >= minutesOf(guardrails.quietFrom)) return localInstant(now, timeZone, 1, guardrails.quietTo);
  return null;
}
