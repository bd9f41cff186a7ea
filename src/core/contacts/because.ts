/**
 * Why the machine decided as it did: a small structured reason stored with the decision, and the one function that
 * renders it as the sentence people read. Add a reason here, never a sentence elsewhere.
 */
import { ADDRESS_KINDS, CHANNELS, type Channel } from './channels';
import { stageName } from './vocabulary';
import { dayAndTime, howLong, listed } from '../shared';

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
  | { why: 'kept_by_hand'; agent: string }
  | { why: 'source_assigned'; agent: string }
  | { why: 'own_listing'; agent: string; listing: string }
  | { why: 'handed_by'; agent: string; by: string }
  // enrollment
  | { why: 'arrived'; campaign: string }
  | {
      why: 'not_enrolled';
      campaign: string;
      cause: 'not_on' | 'opted_out' | 'on_the_phone' | 'already_in' | 'stage' | 'other_campaign';
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
  | { why: 'do_not_contact' | 'household_says_no' | 'registry' | 'registry_unchecked'; channel: Channel }
  | { why: 'template_cap'; channel: Channel; template: string; most: number; until: string; zone: string }
  | { why: 'broadcast'; broadcast: string }
  | { why: 'talk'; asks: string }
  | { why: 'no_address'; channel: Channel }
  | { why: 'address_broken'; channel: Channel; fault: string }
  | { why: 'not_followed_up'; channel: Channel; stage: string }
  | { why: 'has_answered'; channel: Channel }
  | { why: 'refused'; channel: Channel; fault: string }
  | { why: 'campaign_day'; campaign: string; day: number }
  | { why: 'no_owner'; channel: Channel }
  /** Law asks for the brokerage's address in every commercial email. */
  | { why: 'no_postal_address'; channel: Channel };

const ORDINALS = ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth', 'Seventh', 'Eighth', 'Ninth'];
const CAUSES = {
  opted_out: 'they asked us to stop',
  not_on: 'it is not switched on',
  on_the_phone: 'the agent is on the phone with them already',
  already_in: 'they are in it already',
  stage: 'somebody works with them already',
  other_campaign: 'another campaign of its group is under way',
} as const;

const rungWords = (rung: number | null, who: string): string =>
  rung === null ? '' : `${ORDINALS[rung - 1] ?? `Number ${rung}`} rung, “${who}”: `;
const netCause = (cause: Extract<Because, { why: 'safety_net' }>['cause'], roster: string): string =>
  ({
    no_rung: 'No rung matched',
    all_away: `Nobody on ${roster} may have a lead now`,
    nobody_claimed: `Nobody on ${roster} accepted in time`,
    nobody_tried: `Nobody on ${roster} tried in time`,
    roster_empty: `${roster} is empty`,
  })[cause];

/** The reason as one plain sentence, without markup. */
export function sentenceOf(because: Because, nameOfStage: (key: string) => string = stageName): string {
  switch (because.why) {
    case 'returning':
      return `Came back, so stays with ${because.agent}.`;
    case 'round_robin':
    case 'weighted': {
      const passed =
        because.passed ??
        (because.skipped.length ? `${listed(because.skipped)} ${because.skipped.length > 1 ? 'are' : 'is'} away` : '');
      const how = because.why === 'weighted' ? 'by shares' : 'by round robin';
      return `${rungWords(because.rung, because.who)}${because.roster} ${how}, ${because.agent} was next${passed && `; ${passed}`}.`;
    }
    case 'offered':
      return `${rungWords(because.rung, because.who)}offered to ${because.to.length > 3 ? `${because.to.length} people` : listed(because.to)} of ${because.roster}${because.passed ? `; ${because.passed}` : ''}.`;
    case 'claimed':
      return `${because.agent} accepted after ${howLong(because.seconds * 1000)}${because.of > 1 ? `, the first of ${because.of}` : ''} on ${because.roster}.`;
    case 'commons':
      return `Nobody on ${because.roster} accepted in time: it lies in the commons until somebody takes it.`;
    case 'joined':
      return 'Belongs to a lead that is being offered already.';
    case 'safety_net':
      return `${netCause(because.cause, because.roster ?? 'the roster')}, so the safety net takes it: ${because.agent}.`;
    case 'kept_by_hand':
      return `Added by hand by ${because.agent}, who keeps it.`;
    case 'source_assigned':
      return `The source named the agent: ${because.agent}.`;
    case 'own_listing':
      return `Asked about our own listing, ${because.listing}, so goes to its agent: ${because.agent}.`;
    case 'handed_by':
      return `Handed to ${because.agent} by ${because.by}.`;
    case 'arrived':
      return `The arrival began “${because.campaign}”.`;
    case 'not_enrolled':
      return `“${because.campaign}” was not begun: ${because.cause === 'stage' && because.stage ? `the stage is ${nameOfStage(because.stage)}` : CAUSES[because.cause]}.`;
    case 'answered':
      return `“${because.campaign}” stopped: ${CHANNELS[because.channel].answered}.`;
    case 'opted_out':
      return `“${because.campaign}” stopped: they asked for no more ${CHANNELS[because.channel].plural}.`;
    case 'stage_reached':
      return `“${because.campaign}” ended: the stage is ${nameOfStage(because.stage)}.`;
    case 'stopped_by':
      return `“${because.campaign}” stopped by ${because.by}.`;
    case 'removed_by':
      return `“${because.campaign}” ended: ${because.by} deleted them.`;
    case 'put_in_by':
      return `Put into “${because.campaign}” by ${because.by}.`;
    case 'entered':
      return `“${because.campaign}” began: they came to be among those for whom it is.`;
    case 'day_came':
      return `“${because.campaign}” began: its day came.`;
    case 'unreachable':
      return `“${because.campaign}” ended: none of its ways reaches them.`;
    case 'not_theirs':
      return `“${because.campaign}” ended: the contact belongs to another agent now.`;
    case 'left_by':
      return `“${because.campaign}” ended: “${because.other}” takes them out of it.`;
    case 'paused_until':
      return `“${because.campaign}” pauses until ${dayAndTime(new Date(because.until), because.zone)}: ${because.channel ? CHANNELS[because.channel].answered : 'an appointment was made'}.`;
    case 'appointment':
      return `“${because.campaign}” stopped: an appointment was made.`;
    case 'changed_by':
      return `By “${because.campaign}”, day ${because.day}.`;
    case 'ran_through':
      return `“${because.campaign}” ran to its end.`;
    case 'quiet_hours':
      return `The ${CHANNELS[because.channel].name} waits until ${dayAndTime(new Date(because.until), because.zone)} at the contact: quiet hours are outside ${because.from}–${because.to}.`;
    case 'on_the_phone_now':
      return `The ${CHANNELS[because.channel].name} waits until ${dayAndTime(new Date(because.until), because.zone)}: a call with them is under way.`;
    case 'holiday':
      return `The ${CHANNELS[because.channel].name} waits until ${dayAndTime(new Date(because.until), because.zone)}: nothing goes by itself on a holiday.`;
    case 'text_gap':
      return `The ${CHANNELS[because.channel].name} waits until ${dayAndTime(new Date(because.until), because.zone)}: between two texts lie ${because.hours} ${because.hours === 1 ? 'hour' : 'hours'}.`;
    case 'capped':
      return `The ${CHANNELS[because.channel].name} waits until ${dayAndTime(new Date(because.until), because.zone)}: at most ${because.most} ${because.most === 1 ? 'touch' : 'touches'} within ${because.days === 1 ? 'a day' : `${because.days} days`}.`;
    case 'no_permission':
      return `The ${CHANNELS[because.channel].name} did not go: nobody has given permission for ${CHANNELS[because.channel].plural}.`;
    case 'withdrawn':
      return `The ${CHANNELS[because.channel].name} did not go: permission was withdrawn on ${dayAndTime(new Date(because.on), because.zone)} (${because.how}).`;
    case 'do_not_contact':
      return `The ${CHANNELS[because.channel].name} did not go: this person is marked do not contact.`;
    case 'household_says_no':
      return `The ${CHANNELS[because.channel].name} did not go: the household is marked do not contact.`;
    case 'registry':
      return `The ${CHANNELS[because.channel].name} did not go: the number stands on the do-not-call registry, and they have not asked us anything for three months.`;
    case 'registry_unchecked':
      return 'We’re checking this number against the do-not-call registry. Try again in a few seconds.';
    case 'template_cap':
      return `The ${CHANNELS[because.channel].name} waits until ${dayAndTime(new Date(because.until), because.zone)}: at most ${because.most} of “${because.template}” go in a day.`;
    case 'broadcast':
      return `Broadcast “${because.broadcast}”.`;
    case 'talk':
      return `The assistant asks: ${because.asks}.`;
    case 'no_address':
      return `The ${CHANNELS[because.channel].name} did not go: there is no ${ADDRESS_KINDS[CHANNELS[because.channel].address].name}.`;
    case 'address_broken':
      return `The ${CHANNELS[because.channel].name} did not go: the address is known to be wrong (${because.fault}).`;
    case 'not_followed_up':
      return `The ${CHANNELS[because.channel].name} did not go: the stage is ${nameOfStage(because.stage)}, where campaigns end.`;
    case 'has_answered':
      return `The ${CHANNELS[because.channel].name} did not go: they answered before it left.`;
    case 'refused':
      return `The ${CHANNELS[because.channel].name} did not arrive: ${because.fault}.`;
    case 'campaign_day':
      return `“${because.campaign}”, day ${because.day}.`;
    case 'no_owner':
      return `The ${CHANNELS[because.channel].name} waits for nobody: the contact has no agent.`;
    case 'no_postal_address':
      return 'The email waits: add the office’s mailing address in Setup. Every marketing email must show it.';
  }
}

/** What a horizon's rhythm says about a person who is overdue, for Today. */
export const rhythmSentence = (horizon: string, days: number): string =>
  `${horizon}: due ${days === 0 ? 'today' : days === 1 ? 'since yesterday' : `for ${days} days`} by rhythm`;
