/**
 * Why the machine decided as it did: a small structured reason stored with the decision, and the one function that
 * renders it as the sentence people read. Add a reason here, never a sentence elsewhere.
 */
import { CHANNELS, type Channel } from '../channels';
import { refusedBecause, type RefusalCode } from './refusals';
import { stageName } from './vocabulary';
import { howLong, listed } from '../shared';
import { clockTime, dayAndTime } from '../format';

/** Why the machine decided as it did, with the facts for its sentence. */
export type Because =
  // routing
  | { why: 'returning'; agent: string }
  /** `round_robin` and `weighted`: handed out at once. `passed` are those passed over, as words. */
  | {
      why: 'round_robin' | 'weighted';
      rung: number | null;
      who: string;
      roster: string;
      agent: string;
      skipped: string[];
      passed?: string;
    }
  | { why: 'offered'; rung: number | null; who: string; roster: string; to: string[]; passed?: string }
  | { why: 'claimed'; roster: string; agent: string; seconds: number; of: number }
  | { why: 'commons'; roster: string }
  | { why: 'joined' }
  | {
      why: 'safety_net';
      roster: string | null;
      agent: string;
      cause: 'no_rung' | 'all_away' | 'nobody_claimed' | 'nobody_tried' | 'roster_empty';
    }
  | { why: 'shares_address'; agent: string; of: string }
  | { why: 'kept_by_hand'; agent: string }
  | { why: 'source_assigned'; agent: string }
  | { why: 'own_listing'; agent: string; listing: string }
  | { why: 'handed_by'; agent: string; by: string }
  // enrollment
  | { why: 'arrived'; campaign: string }
  | {
      why: 'not_enrolled';
      campaign: string;
      cause: 'not_on' | 'opted_out' | 'on_the_phone' | 'already_in' | 'not_followed_up' | 'other_campaign';
      stage?: string;
    }
  | { why: 'answered'; channel: Channel; campaign: string }
  | { why: 'opted_out'; channel: Channel; campaign: string }
  | { why: 'stage_reached'; stage: string; campaign: string }
  | { why: 'stopped_by'; by: string; campaign: string }
  | { why: 'removed_by'; by: string; campaign: string }
  | { why: 'put_in_by'; by: string; campaign: string }
  /** Began by itself: they came to be among those for whom it is, asked, or had a day. */
  | { why: 'entered' | 'day_came'; campaign: string }
  | { why: 'unreachable'; campaign: string }
  | { why: 'left_by'; campaign: string; other: string }
  /** An agent's own campaign, and the contact is not theirs any more. */
  | { why: 'not_theirs'; campaign: string }
  | { why: 'appointment'; campaign: string }
  | { why: 'paused_until'; campaign: string; until: string; zone: string; channel: Channel | null }
  | { why: 'changed_by'; campaign: string; day: number }
  | { why: 'ran_through'; campaign: string }
  // touches
  | { why: 'quiet_hours'; channel: Channel; until: string; zone: string; from: string; to: string }
  | { why: 'on_the_phone_now'; channel: Channel; until: string; zone: string }
  | { why: 'holiday'; channel: Channel; until: string; zone: string }
  | { why: 'text_gap'; channel: Channel; hours: number; until: string; zone: string }
  | { why: 'capped'; channel: Channel; most: number; days: number; until: string; zone: string }
  | { why: 'no_permission'; channel: Channel }
  | { why: 'withdrawn'; channel: Channel; on: string; zone: string; how: string }
  | { why: 'do_not_contact' | 'household_says_no' | 'registry'; channel: Channel }
  | { why: 'registry_unchecked'; channel: Channel }
  | { why: 'template_cap'; channel: Channel; template: string; most: number; until: string; zone: string }
  | { why: 'broadcast'; broadcast: string }
  | { why: 'talk'; asks: string }
  | { why: 'no_address'; channel: Channel }
  | { why: 'address_broken'; channel: Channel; error: string }
  | { why: 'not_followed_up'; channel: Channel; stage: string }
  | { why: 'has_answered'; channel: Channel }
  | { why: 'refused'; channel: Channel; error: string }
  | { why: 'campaign_day'; campaign: string; day: number }
  | { why: 'no_owner'; channel: Channel }
  /** Law asks for the brokerage's address in every commercial email. */
  | { why: 'no_postal_address'; channel: Channel }
  | { why: 'not_connected'; channel: Channel };

const rungWords = (rung: number | null, who: string): string => (rung === null ? '' : `Rung ${rung}, “${who}”: `);
const netCause = (cause: Extract<Because, { why: 'safety_net' }>['cause'], roster: string): string =>
  ({
    no_rung: 'No rung matched',
    all_away: `No one on ${roster} is available right now`,
    nobody_claimed: `No one on ${roster} accepted in time`,
    nobody_tried: `No one on ${roster} attempted in time`,
    roster_empty: `${roster} has no one on it`,
  })[cause];

type Of<Why, One = Because> = One extends { why: string } ? (Why extends One['why'] ? One : never) : never;
type StageNames = (key: string) => string;

const inTurn = (because: Of<'round_robin' | 'weighted'>): string => {
  const passed =
    because.passed ??
    (because.skipped.length ? `${listed(because.skipped)} ${because.skipped.length > 1 ? 'are' : 'is'} away` : '');
  const how = because.why === 'weighted' ? 'weighted' : 'round robin';
  return `${rungWords(because.rung, because.who)}${because.roster} (${how}), ${because.agent} was next${passed && `; ${passed}`}.`;
};
/** What the guardrails do not let go. */
const didNotGo = (because: Of<RefusalCode>, nameOfStage: StageNames): string =>
  `The ${CHANNELS[because.channel].name} was not sent: ${refusedBecause(because.why, {
    ...because,
    ...('stage' in because ? { stage: nameOfStage(because.stage) } : {}),
    ...('on' in because ? { day: dayAndTime(new Date(because.on), because.zone) } : {}),
  })}.`;

const waits = ({ channel, until, zone }: { channel: Channel; until: string; zone: string }): string =>
  `The ${CHANNELS[channel].name} waits until ${dayAndTime(new Date(until), zone)}`;

/** One sentence for each reason. */
const SENTENCES: { [Why in Because['why']]: (because: Of<Why>, nameOfStage: StageNames) => string } = {
  returning: (because) => `Returning, so stays with ${because.agent}.`,
  round_robin: inTurn,
  weighted: inTurn,
  offered: (because) =>
    `${rungWords(because.rung, because.who)}offered to ${because.to.length > 3 ? `${because.to.length} people` : listed(because.to)} of ${because.roster}${because.passed ? `; ${because.passed}` : ''}.`,
  claimed: (because) =>
    `${because.agent} accepted after ${howLong(because.seconds * 1000)}${because.of > 1 ? `, the first of ${because.of}` : ''} on ${because.roster}.`,
  commons: (because) => `No one on ${because.roster} accepted in time: it’s in the commons until someone takes it.`,
  joined: () => 'Belongs to a lead that’s already being offered.',
  safety_net: (because) =>
    `${netCause(because.cause, because.roster ?? 'the roster')}, so it goes to the safety net: ${because.agent}.`,
  shares_address: (because) => `Goes to ${because.agent}, who has ${because.of || 'the other contact'} already.`,
  kept_by_hand: (because) => `Added by hand by ${because.agent}, who keeps it.`,
  source_assigned: (because) => `The source named the agent: ${because.agent}.`,
  own_listing: (because) => `Asked about our own listing, ${because.listing}, so goes to its agent: ${because.agent}.`,
  handed_by: (because) => `Handed to ${because.agent} by ${because.by}.`,
  arrived: (because) => `New inquiry: started “${because.campaign}”.`,
  not_enrolled: (because, nameOfStage) =>
    `“${because.campaign}” was not started: ${refusedBecause(because.cause, { stage: because.stage && nameOfStage(because.stage) })}.`,
  answered: (because) => `“${because.campaign}” stopped: ${CHANNELS[because.channel].answered}.`,
  opted_out: (because) => `“${because.campaign}” stopped: they opted out of ${CHANNELS[because.channel].plural}.`,
  stage_reached: (because, nameOfStage) => `“${because.campaign}” ended: the stage is ${nameOfStage(because.stage)}.`,
  stopped_by: (because) => `“${because.campaign}” stopped by ${because.by}.`,
  removed_by: (because) => `“${because.campaign}” ended: ${because.by} deleted them.`,
  put_in_by: (because) => `Added to “${because.campaign}” by ${because.by}.`,
  entered: (because) => `“${because.campaign}” started: now matches this campaign.`,
  day_came: (because) => `“${because.campaign}” started on its scheduled date.`,
  unreachable: (because) => `“${because.campaign}” ended: no usable phone, email, or address.`,
  not_theirs: (because) => `“${because.campaign}” ended: the contact has a new agent.`,
  left_by: (because) => `“${because.campaign}” ended: “${because.other}” removed them.`,
  paused_until: (because) =>
    `“${because.campaign}” pauses until ${dayAndTime(new Date(because.until), because.zone)}: ${because.channel ? CHANNELS[because.channel].answered : 'they made an appointment'}.`,
  appointment: (because) => `“${because.campaign}” stopped: they made an appointment.`,
  changed_by: (because) => `By “${because.campaign}”, day ${because.day}.`,
  ran_through: (because) => `“${because.campaign}” finished.`,
  quiet_hours: (because) => `${waits(because)}: we send ${clockTime(because.from)}–${clockTime(because.to)} their time.`,
  on_the_phone_now: (because) => `${waits(because)}: they’re on a call right now.`,
  holiday: (because) => `${waits(because)}: nothing goes out automatically on a holiday.`,
  text_gap: (because) => `${waits(because)}: texts must be ${because.hours} ${because.hours === 1 ? 'hour' : 'hours'} apart.`,
  capped: (because) =>
    `${waits(because)}: the limit is ${because.most} ${because.most === 1 ? 'touch' : 'touches'} ${because.days === 1 ? 'a day' : `in ${because.days} days`}.`,
  registry_unchecked: () => 'We’re checking this number against the do-not-call registry. Try again in a few seconds.',
  template_cap: (because) => `${waits(because)}: “${because.template}” is limited to ${because.most} a day.`,
  broadcast: (because) => `Broadcast “${because.broadcast}”.`,
  talk: (because) => `The assistant asks: ${because.asks}.`,
  refused: (because) => `The ${CHANNELS[because.channel].name} wasn’t delivered: ${because.error}.`,
  campaign_day: (because) => `“${because.campaign}”, day ${because.day}.`,
  no_owner: (because) => `The ${CHANNELS[because.channel].name} has no agent to send it.`,
  no_postal_address: () => 'The email waits: add the office’s mailing address in Setup. Every marketing email must show it.',
  not_connected: ({ channel }) =>
    `The ${CHANNELS[channel].name} can’t go out: ${CHANNELS[channel].plural} aren’t connected yet. An admin sees in Setup how to connect them.`,
  no_permission: didNotGo,
  withdrawn: didNotGo,
  do_not_contact: didNotGo,
  household_says_no: didNotGo,
  registry: didNotGo,
  no_address: didNotGo,
  address_broken: didNotGo,
  not_followed_up: didNotGo,
  has_answered: didNotGo,
};

/** The reason as one plain sentence, without markup. */
export const sentenceOf = (because: Because, nameOfStage: StageNames = stageName): string =>
  (SENTENCES[because.why] as (because: Because, nameOfStage: StageNames) => string)(because, nameOfStage);

/** What a horizon's rhythm says about a person who is overdue, for Today. */
export const rhythmSentence = (horizon: string, days: number): string =>
  days === 0 ? `${horizon} · check-in due today` : `${horizon} · check-in ${days} ${days === 1 ? 'day' : 'days'} overdue`;
