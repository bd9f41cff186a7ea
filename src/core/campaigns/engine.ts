/**
 * The decision of the campaign engine for one enrolment that is due: send, make a call task, wait, skip, and what comes
 * next. Values in, values out; the worker carries the effects out in one transaction.
 */
import type { Because } from '../contacts';
import type { Channel, Stage } from '../contacts';
import { fillWords, type MergeFields } from '../messages';
import { dayOf, plannedAt, type Campaign, type Touch } from './campaign';
import { mayTouch, type Guardrails, type PermissionState, UNKNOWN_PERMISSION } from './guardrails';

export interface EnrolmentState {
  id: string;
  step: number;
  startedAt: Date;
  /** True when this step has waited already, so that the timeline says it once. */
  hasWaited: boolean;
}

export interface TouchedContact {
  id: string;
  ownerId: string | null;
  stage: Stage;
  timeZone: string;
  doNotContact: boolean;
  onThePhone: boolean;
  phone: string | null;
  phoneFault: string | null;
  email: string | null;
  emailFault: string | null;
  /** The mailing address in one line, when street, town and postal code are known. */
  mailingAddress: string | null;
  permissions: Partial<Record<Channel, PermissionState>>;
  fields: MergeFields;
}

export type TouchEffect =
  | {
      do: 'send';
      key: string;
      channel: Channel;
      address: string;
      subject: string | null;
      text: string;
      usedPlain: boolean;
      day: number;
    }
  | { do: 'task'; key: string; note: string; day: number }
  | { do: 'tell'; kind: 'waits' | 'held'; channel: Channel; because: Because };

export interface TouchDecision {
  effects: TouchEffect[];
  /** Where the enrolment stands afterwards. */
  next: { state: 'active'; step: number; dueAt: Date; waiting: boolean } | { state: 'finished'; because: Because };
}

const addressFor = (channel: Channel, contact: TouchedContact): { address: string | null; fault: string | null } => {
  if (channel === 'email') return { address: contact.email, fault: contact.emailFault };
  if (channel === 'letter') return { address: contact.mailingAddress, fault: null };
  return { address: contact.phone, fault: contact.phoneFault };
};

/** Decides the touch at which the enrolment stands. A touch that may not go is passed over with its reason; the campaign goes on. */
export function decideTouch(
  campaign: Campaign,
  enrolment: EnrolmentState,
  contact: TouchedContact,
  guardrails: Guardrails,
  now: Date,
): TouchDecision {
  const touch = campaign.touches[enrolment.step];
  if (!touch) return { effects: [], next: { state: 'finished', because: { why: 'ran_through', campaign: campaign.name } } };
  const { address, fault } = addressFor(touch.channel, contact);
  const verdict = mayTouch(
    {
      channel: touch.channel,
      automatic: true,
      now,
      timeZone: contact.timeZone,
      stage: contact.stage,
      doNotContact: contact.doNotContact,
      address,
      addressFault: fault,
      permission: contact.permissions[touch.channel] ?? UNKNOWN_PERMISSION,
      wroteAt: null,
      onThePhone: contact.onThePhone,
    },
    guardrails,
  );
  if (verdict.go === 'later') {
    const tell: TouchEffect[] = enrolment.hasWaited
      ? []
      : [{ do: 'tell', kind: 'waits', channel: touch.channel, because: verdict.because }];
    return { effects: tell, next: { state: 'active', step: enrolment.step, dueAt: verdict.at, waiting: true } };
  }
  const effect: TouchEffect = verdict.go
    ? carryOut(touch, enrolment, contact, address!)
    : { do: 'tell', kind: 'held', channel: touch.channel, because: verdict.because };
  return { effects: [effect], next: afterStep(campaign, enrolment, contact, now) };
}

function carryOut(touch: Touch, enrolment: EnrolmentState, contact: TouchedContact, address: string): TouchEffect {
  const key = `e${enrolment.id}-s${enrolment.step}`;
  const day = dayOf(touch);
  const words = fillWords(touch.words, contact.fields);
  if (touch.channel === 'call') return { do: 'task', key, note: words.text, day };
  return {
    do: 'send',
    key,
    channel: touch.channel,
    address,
    subject: words.subject,
    text: words.text,
    usedPlain: words.usedPlain,
    day,
  };
}

function afterStep(campaign: Campaign, enrolment: EnrolmentState, contact: TouchedContact, now: Date): TouchDecision['next'] {
  const step = enrolment.step + 1;
  const touch = campaign.touches[step];
  if (!touch) return { state: 'finished', because: { why: 'ran_through', campaign: campaign.name } };
  const planned = plannedAt(touch, enrolment.startedAt, contact.timeZone);
  return { state: 'active', step, dueAt: planned > now ? planned : now, waiting: false };
}
