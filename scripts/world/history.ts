/** Half a year of plausible work with a contact: the campaign's touches, tries, conversations, answers, promises. Decisions are core's own, so that history obeys the rules. */
import { DAY, HOUR, localInstant, localMinutes, MINUTE, type Random } from '@/core/shared';
import { DEFAULT_SETTINGS } from '@/core/accounts';
import { daysOf, NEW_BUYER, plannedAt, quietUntil, type TouchStep } from '@/core/campaigns';
import { fillWords } from '@/core/messages';
import { showPhone } from '@/core/capture';
import {
  isHumanTry,
  type Activity,
  type ActivityData,
  type Because,
  type Channel,
  type Direction,
  type Stage,
} from '@/core/contacts';
import { isReached, type CallOutcome } from '@/core/calling';
import { ANSWERS, NOTES, PROMISES } from './names';
import { BROKERAGE, COLLEAGUES, nameOf, START, ZONE } from './settings';
import type { WorldContact } from './contact';

/** The steps of the starter, whose ids are their places. */
const TOUCHES = NEW_BUYER.plan.steps as TouchStep[];
const DAYS = daysOf(TOUCHES);

const RHYTHM = { hot: 2, warm: 10, nurture: 35, someday: 90 };

/** The next moment at which people call each other: between 9 and 19 o'clock. */
function working(at: Date, random: Random): Date {
  const minutes = localMinutes(at, ZONE);
  if (minutes >= 540 && minutes < 1140) return at;
  const morning = localInstant(at, ZONE, minutes < 540 ? 0 : 1, '09:00');
  return new Date(morning.getTime() + random.int(2, 160) * MINUTE);
}

class Chronicle {
  constructor(
    readonly contact: WorldContact,
    readonly random: Random,
  ) {}

  add(
    at: Date,
    kind: Activity['kind'],
    parts: { channel?: Channel; direction?: Direction; byAgent?: boolean; data?: ActivityData; because?: Because } = {},
  ): void {
    this.contact.activities.push({
      contactId: this.contact.id,
      userId: parts.byAgent ? this.contact.ownerId : null,
      at,
      kind,
      channel: parts.channel ?? null,
      direction: parts.direction ?? null,
      data: parts.data ?? {},
      because: parts.because ?? null,
    });
  }

  stage(at: Date, to: Stage): void {
    if (this.contact.stage === to) return;
    this.add(at, 'stage', { data: { fromStage: this.contact.stage, stage: to } });
    this.contact.stage = to;
  }

  tried(at: Date): void {
    this.contact.firstTryAt ??= at;
    if (this.contact.stage === 'new') this.stage(at, 'reaching');
  }

  call(at: Date, outcome: CallOutcome, note = ''): void {
    const { random, contact } = this;
    const reached = isReached(outcome);
    const talkSeconds =
      outcome === 'talked'
        ? random.int(125, 900)
        : outcome === 'short' || outcome === 'callback'
          ? random.int(15, 90)
          : outcome === 'not_interested'
            ? random.int(20, 110)
            : 0;
    const answeredAt = reached ? new Date(at.getTime() + random.int(3, 15) * 1000) : null;
    const endedAt = new Date((answeredAt ?? at).getTime() + (reached ? talkSeconds : random.int(2, 30)) * 1000);
    contact.calls.push({ startedAt: at, answeredAt, endedAt, outcome, talkSeconds, note });
    this.add(at, 'call', {
      channel: 'call',
      direction: 'out',
      byAgent: true,
      data: { outcome, talkSeconds, to: contact.phone!, text: note || undefined, callId: `#${contact.calls.length - 1}` },
    });
    if (outcome === 'talked' && (contact.stage === 'new' || contact.stage === 'reaching')) {
      contact.firstTryAt ??= at;
      this.stage(at, 'talking');
    } else this.tried(at);
    if (outcome === 'wrong_number') contact.phoneError = 'wrong number';
  }

  write(at: Date, channel: 'text' | 'email', text: string): void {
    this.add(at, 'message', {
      channel,
      direction: 'out',
      byAgent: true,
      data: {
        text,
        subject: channel === 'email' ? 'About your home search' : undefined,
        to: (channel === 'text' ? this.contact.phone : this.contact.email)!,
      },
    });
    this.tried(at);
  }

  answer(at: Date, channel: 'text' | 'email'): void {
    const { random, contact } = this;
    const text = random
      .pick(ANSWERS)
      .replace('{street}', random.pick(contact.town.streets))
      .replace('{beds}', String(random.int(2, 4)));
    this.add(at, 'message', {
      channel,
      direction: 'in',
      data: {
        text,
        from: (channel === 'text' ? contact.phone : contact.email)!,
        subject: channel === 'email' ? 'Re: Homes you asked about' : undefined,
      },
    });
    if (contact.stage === 'new' || contact.stage === 'reaching') this.stage(at, 'talking');
  }

  endCampaign(at: Date, because: object): void {
    const { enrollment } = this.contact;
    if (enrollment?.state !== 'active') return;
    Object.assign(enrollment, { state: 'stopped', dueAt: null, endedAt: at, because: { ...because, campaign: NEW_BUYER.name } });
    this.add(at, 'stopped', {
      data: { campaign: NEW_BUYER.name, campaignId: '1' },
      because: { ...because, campaign: NEW_BUYER.name } as Because,
    });
  }
}

/** A lead: arrival, the campaign, tries, and what came of them, up to the start of the demo. */
export function liveLead(contact: WorldContact, random: Random): void {
  const story = new Chronicle(contact, random);
  const arrived = contact.createdAt;
  grantPermissions(contact, random, arrived, 'said so to the lead source, “Lead sources”');
  story.add(arrived, 'inquiry', { direction: 'in', data: { text: contact.ask, door: 'Lead sources', from: contact.source } });
  story.add(arrived, 'handed', { because: contact.routed!.because });
  const campaign = contact.roles.includes('buyer') && contact.routed!.rungId === '1';
  if (campaign) {
    contact.enrollment = {
      state: 'active',
      step: 0,
      startedAt: arrived,
      dueAt: null,
      endedAt: null,
      because: { why: 'arrived', campaign: NEW_BUYER.name },
    };
    story.add(arrived, 'enrolled', {
      data: { campaign: NEW_BUYER.name, campaignId: '1' },
      because: { why: 'arrived', campaign: NEW_BUYER.name },
    });
  }
  const end = campaign ? walkCampaign(story) : null;
  workLead(story, end);
  comeBack(story);
  settle(story);
}

/** Some ask again weeks later, about another home: a new inquiry on the same contact. */
function comeBack(story: Chronicle): void {
  const { contact, random } = story;
  const at = new Date(contact.createdAt.getTime() + random.int(12, 100) * DAY + random.int(0, 500) * MINUTE);
  if (!random.chance(0.14) || at >= START || contact.stage === 'archived') return;
  const ask = `Is ${random.int(3, 240)} ${random.pick(contact.town.streets)} still for sale?`;
  story.add(at, 'inquiry', { direction: 'in', data: { text: ask, door: 'Lead sources', from: contact.source } });
  story.add(at, 'handed', { because: { why: 'returning', agent: nameOf(contact.ownerId) } });
  const back = working(new Date(at.getTime() + random.int(2, 40) * MINUTE), random);
  if (contact.phone && !contact.phoneError && back < START)
    story.call(back, random.pick(['talked', 'voicemail', 'talked', 'no_answer'] as const));
  const tries = contact.activities
    .filter((activity) => activity.at >= at && isHumanTry(activity))
    .map((activity) => activity.at.getTime());
  contact.cameBack = { at, ask, firstTryAt: tries.length ? new Date(Math.min(...tries)) : null };
}

function grantPermissions(contact: WorldContact, random: Random, at: Date, how: string): void {
  const grant = (channel: 'call' | 'text' | 'email', chance: number) => {
    if ((channel === 'email' ? contact.email : contact.phone) && random.chance(chance))
      contact.permissions.push({ channel, state: 'granted', how, forGood: false, at });
  };
  grant('call', 0.95);
  grant('text', 0.88);
  grant('email', 0.92);
}

type Answered = { at: Date; channel: 'text' | 'email'; stop: boolean };
type Touch = (typeof TOUCHES)[number];

/** The touches of the campaign up to now, each at its own time and within quiet hours. @returns when and how the person answered, if they did */
function walkCampaign(story: Chronicle): Answered | null {
  const { contact, random } = story;
  const enrollment = contact.enrollment!;
  const fields = fieldsOf(contact);
  let from = contact.createdAt;
  for (const [step, touch] of TOUCHES.entries()) {
    enrollment.step = step;
    const due = dueOf(story, touch, from);
    enrollment.dueAt = due;
    if (due > START) return null;
    from = due;
    const words = fillWords(touch.words, fields);
    if (touch.channel === 'call') {
      askForCall(story, touch, due, words.text);
      continue;
    }
    const held = heldBack(contact, touch.channel);
    if (held) {
      story.add(due, 'held', { channel: touch.channel, data: { campaign: NEW_BUYER.name, campaignId: '1' }, because: held });
      continue;
    }
    sendTouch(story, touch.channel, { step, due, day: DAYS.get(touch.id)!, text: words.text, subject: words.subject });
    if (touch.channel === 'letter' || !random.chance(touch.channel === 'text' ? 0.19 : 0.12)) continue;
    const at = new Date(due.getTime() + random.int(3, touch.channel === 'text' ? 240 : 900) * MINUTE);
    if (at > START) return null;
    const stop = touch.channel === 'text' && random.chance(0.1);
    reply(story, at, touch.channel, stop);
    enrollment.step = step + 1;
    return { at, channel: touch.channel, stop };
  }
  const because = { why: 'ran_through', campaign: NEW_BUYER.name } as const;
  Object.assign(enrollment, { state: 'finished', step: -1, dueAt: null, endedAt: from, because });
  story.add(from, 'finished', { data: { campaign: NEW_BUYER.name, campaignId: '1' }, because });
  return null;
}

function fieldsOf(contact: WorldContact) {
  const agent = COLLEAGUES.find(({ id }) => id === contact.ownerId)!;
  return {
    first_name: contact.first,
    last_name: contact.last,
    town: contact.town.name,
    agent_first_name: agent.first,
    agent_name: `${agent.first} ${agent.last}`,
    agent_phone: showPhone(agent.phone),
    brokerage: BROKERAGE,
  };
}

/** When a touch goes: not before the one before it, nor in quiet hours, which are told. */
function dueOf(story: Chronicle, { when, channel }: Touch, from: Date): Date {
  const planned = plannedAt(when, { startedAt: story.contact.createdAt, lastAt: from, timeZone: ZONE })!;
  const earliest = planned < from ? from : planned;
  const opens = channel === 'letter' ? null : quietUntil(earliest, ZONE, DEFAULT_SETTINGS);
  if (opens && planned <= START)
    story.add(earliest, 'waits', {
      channel,
      data: { campaign: NEW_BUYER.name },
      because: { why: 'quiet_hours', channel, until: opens.toISOString(), zone: ZONE, from: '08:00', to: '21:00' },
    });
  return opens ?? earliest;
}

function askForCall(story: Chronicle, touch: Touch, due: Date, note: string): void {
  const { contact, random } = story;
  const day = DAYS.get(touch.id)!;
  if (!contact.phone) {
    const because = { why: 'no_address', channel: 'call' } as const;
    return story.add(due, 'held', { channel: 'call', data: { campaign: NEW_BUYER.name }, because });
  }
  story.add(due, 'task', {
    channel: 'call',
    data: { campaign: NEW_BUYER.name, campaignId: '1', text: note, day, dueAt: due.toISOString() },
    because: { why: 'campaign_day', campaign: NEW_BUYER.name, day },
  });
  const done = due.getTime() < START.getTime() - 2 * HOUR || random.chance(0.3);
  contact.tasks.push({
    kind: 'call',
    dueAt: due,
    note,
    doneAt: done ? new Date(Math.min(due.getTime() + random.int(5, 300) * MINUTE, START.getTime())) : null,
    key: 'e',
  });
}

function sendTouch(
  story: Chronicle,
  channel: 'text' | 'email' | 'letter',
  { step, due, day, text, subject }: { step: number; due: Date; day: number; text: string; subject: string | null },
): void {
  const { contact } = story;
  const letter = `${contact.street}, ${contact.town.name} ${contact.postalCode}`;
  contact.messages.push({ channel, step, at: due, text, subject });
  story.add(due, 'message', {
    channel,
    direction: 'out',
    data: {
      text,
      subject: subject ?? undefined,
      to: { text: contact.phone, email: contact.email, letter }[channel]!,
      automatic: true,
      campaign: NEW_BUYER.name,
      day,
      outboxId: `#${contact.messages.length - 1}`,
    },
    because: { why: 'campaign_day', campaign: NEW_BUYER.name, day },
  });
}

function heldBack(contact: WorldContact, channel: 'text' | 'email' | 'letter'): Because | null {
  if (channel === 'letter') return contact.street ? null : { why: 'no_address', channel };
  if (!(channel === 'text' ? contact.phone : contact.email)) return { why: 'no_address', channel };
  return channel === 'text' && !contact.permissions.some((one) => one.channel === 'text')
    ? { why: 'no_permission', channel }
    : null;
}

function reply(story: Chronicle, at: Date, channel: 'text' | 'email', stop: boolean): void {
  if (!stop) {
    story.answer(at, channel);
    return story.endCampaign(at, { why: 'answered', channel });
  }
  story.add(at, 'message', { channel, direction: 'in', data: { text: 'STOP', from: story.contact.phone!, optOut: true } });
  story.contact.permissions = story.contact.permissions.filter((one) => one.channel !== 'text');
  story.contact.permissions.push({ channel: 'text', state: 'withdrawn', how: 'they answered “STOP”', forGood: true, at });
  story.add(at, 'permission', { channel: 'text', data: { text: 'No: they answered “STOP”', to: story.contact.phone! } });
  story.endCampaign(at, { why: 'opted_out', channel });
}

function drawOutcome(random: Random, tries: number): CallOutcome {
  const side = random.next();
  if (side < 0.22 + tries * 0.03) return 'talked';
  if (side < 0.3) return random.pick(['short', 'callback', 'not_interested'] as const);
  if (side < 0.6) return 'voicemail';
  if (side < 0.92) return 'no_answer';
  return side < 0.98 ? 'busy' : 'wrong_number';
}

/** The agent's side: how soon the first try, how many more, and what the conversation led to. */
function workLead(story: Chronicle, answered: Answered | null): void {
  const { contact, random } = story;
  const age = START.getTime() - contact.createdAt.getTime();
  const untried = age < 3 * HOUR ? 0.75 : age < 30 * HOUR ? 0.25 : 0.006;
  const slow = contact.ownerId === '7' ? 3 : 1;
  const first = working(
    new Date(contact.createdAt.getTime() + slow * (20_000 + Math.round(-Math.log(1 - random.next() * 0.999) * 6 * MINUTE))),
    random,
  );
  let { at, talked } = contact.phone && !random.chance(untried) ? tryByPhone(story, first) : { at: first, talked: false };
  if (answered && !answered.stop) {
    at = answerBack(story, answered) ?? at;
    talked = true;
  }
  if (!contact.phone && contact.email && !random.chance(untried) && at < START)
    story.write(at, 'email', 'Thanks for reaching out. What’s the best number to call you?');
  if (talked) follow(story, at);
}

/** Calls until somebody speaks with them. @returns when the next try would be, and whether they spoke */
function tryByPhone(story: Chronicle, first: Date): { at: Date; talked: boolean } {
  const { contact, random } = story;
  let at = first;
  let talked = false;
  const tries = random.int(1, 5);
  for (let attempt = 0; attempt < tries && at < START && !talked && !contact.phoneError; attempt += 1) {
    const outcome = drawOutcome(random, attempt);
    talked = outcome === 'talked';
    const inCampaign = contact.enrollment?.endedAt && contact.enrollment.endedAt <= at;
    story.call(at, outcome, talked && random.chance(0.6) ? random.pick(NOTES) : '');
    if (talked && !inCampaign) stopAt(story, at);
    at = working(new Date(at.getTime() + random.int(4, 60) * HOUR), random);
  }
  return { at, talked };
}

/** @returns when the agent answered; null when they did not yet */
function answerBack(story: Chronicle, answered: Answered): Date | null {
  const { contact, random } = story;
  const back = working(new Date(answered.at.getTime() + random.int(2, 90) * MINUTE), random);
  if (back >= START || !(START.getTime() - answered.at.getTime() > 26 * HOUR || random.chance(0.35))) return null;
  if (contact.phone && (random.chance(0.7) || !contact.email)) story.call(back, random.chance(0.6) ? 'talked' : 'voicemail');
  else if (contact.email)
    story.write(back, 'email', 'Thanks for getting back to me. I have three homes in mind and will send them tonight.');
  return back;
}

/** A conversation ended the campaign: what the campaign would have done after it never happened. */
function stopAt(story: Chronicle, at: Date): void {
  const { contact } = story;
  if (!contact.enrollment) return;
  const later = (activity: Activity) =>
    activity.at > at && (activity.data.automatic || ['waits', 'held', 'task', 'finished', 'stopped'].includes(activity.kind));
  contact.activities = contact.activities.filter((activity) => !later(activity));
  const messages = contact.messages.filter((message) => message.at <= at);
  contact.messages = messages;
  contact.tasks = contact.tasks.filter((task) => task.dueAt <= at);
  const answers = (activity: Activity) => activity.at > at && activity.direction === 'in';
  contact.activities = contact.activities.filter((activity) => !answers(activity));
  contact.permissions = contact.permissions.filter((one) => one.at <= at);
  Object.assign(contact.enrollment, { state: 'active' });
  contact.enrollment.step = messages.length;
  story.endCampaign(at, { why: 'answered', channel: 'call' });
}

const LATER: { stage: Stage; share: number }[] = [
  { stage: 'client', share: 0.16 },
  { stage: 'under_contract', share: 0.06 },
  { stage: 'past_client', share: 0.06 },
];

/** After the conversation: a horizon, touches in its rhythm, some become clients. */
function follow(story: Chronicle, since: Date): void {
  const { contact, random } = story;
  const old = START.getTime() - since.getTime() > 30 * DAY;
  contact.horizon =
    !old && random.chance(0.3) ? 'hot' : random.chance(0.3) ? 'warm' : random.chance(0.55) ? 'nurture' : 'someday';
  const rhythm = RHYTHM[contact.horizon as keyof typeof RHYTHM] * DAY;
  let at = new Date(since.getTime() + rhythm * (0.5 + random.next() * 0.44));
  for (let touches = 0; at < START && touches < 60; touches += 1) {
    const when = working(at, random);
    if (when >= START) break;
    if (contact.phone && !contact.phoneError && random.chance(0.6))
      story.call(
        when,
        random.chance(0.35) ? 'talked' : random.pick(['voicemail', 'no_answer'] as const),
        random.chance(0.15) ? random.pick(NOTES) : '',
      );
    else if (contact.email) story.write(when, 'email', 'Two new homes came up that might be a fit. Want me to send them?');
    if (random.chance(0.12))
      story.add(new Date(when.getTime() + 5 * MINUTE), 'note', { byAgent: true, data: { text: random.pick(NOTES) } });
    at = new Date(when.getTime() + rhythm * (0.5 + random.next() * 0.44));
  }
  let side = random.next();
  for (const { stage, share } of LATER) {
    const last = contact.activities.at(-1)!.at;
    if (side < share && START.getTime() - contact.createdAt.getTime() > 21 * DAY && last < START) {
      story.stage(new Date(Math.min(last.getTime() + 2 * HOUR, START.getTime() - MINUTE)), stage);
      contact.horizon = stage === 'past_client' ? 'someday' : 'warm';
      break;
    }
    side -= share;
  }
}

/** A known person: kept in touch with at their check-in rhythm, now and then a promise. */
export function liveSphere(contact: WorldContact, random: Random): void {
  const story = new Chronicle(contact, random);
  grantPermissions(contact, random, contact.createdAt, 'known personally, told the agent');
  story.stage(contact.createdAt, random.chance(0.4) ? 'past_client' : 'sphere');
  contact.horizon = random.chance(0.1) ? 'warm' : random.chance(0.35) ? 'nurture' : random.chance(0.6) ? 'someday' : null;
  const rhythm = RHYTHM[(contact.horizon ?? 'someday') as keyof typeof RHYTHM] * DAY;
  let at = new Date(Math.max(START.getTime() - 180 * DAY, contact.createdAt.getTime()) + rhythm * random.next());
  while (at < START) {
    const when = working(at, random);
    if (when >= START) break;
    if (contact.phone && random.chance(0.5)) story.call(when, random.chance(0.45) ? 'talked' : 'voicemail');
    else if (contact.email)
      story.write(when, 'email', 'How’s the house treating you? Prices have moved a bit around you. Want a quick update?');
    at = new Date(when.getTime() + rhythm * (0.6 + random.next() * 0.36));
  }
  if (random.chance(0.03)) story.stage(new Date(START.getTime() - random.int(1, 100) * DAY), 'archived');
  settle(story);
}

/** Promises for the coming days, and today's. */
function settle(story: Chronicle): void {
  const { contact, random } = story;
  if (['talking', 'sphere', 'client'].includes(contact.stage) && random.chance(0.011)) {
    const channel = contact.phone && random.chance(0.7) ? 'text' : contact.email ? 'email' : 'text';
    if (channel === 'email' || contact.phone) story.answer(new Date(START.getTime() - random.int(3, 900) * MINUTE), channel);
  }
  const spoken = contact.activities.some((activity) => activity.kind === 'call' && activity.data.outcome === 'talked');
  const lately = contact.activities.at(-1)!.at.getTime() > START.getTime() - 20 * DAY;
  if (spoken && lately && random.chance(0.22) && contact.stage !== 'archived') {
    const days = random.int(0, 9);
    const dueAt = localInstant(
      START,
      ZONE,
      days,
      `${String(random.int(9, 17)).padStart(2, '0')}:${random.pick(['00', '15', '30', '45'])}`,
    );
    contact.tasks.push({ kind: 'promise', dueAt, note: random.pick(PROMISES), doneAt: null, key: null });
    const at = new Date(Math.min(contact.activities.at(-1)!.at.getTime() + MINUTE, START.getTime() - MINUTE));
    story.add(at, 'next_touch', { byAgent: true, data: { dueAt: dueAt.toISOString(), text: contact.tasks.at(-1)!.note } });
  }
  contact.activities.sort((a, b) => a.at.getTime() - b.at.getTime());
}
