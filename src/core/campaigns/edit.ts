/** Changing a plan step by step: each function answers a new list, so that undo is keeping the one before. */
import { clockTime } from '../format';
import { CHANNELS, DATE_NAMES, type Channel } from '../contacts';
import { DEFAULT_QUESTIONS, TALK_ASKS } from '../conversations';
import { freshId, type Step, type StepTiming } from './plan';

/** Every step, those of branches included, through `change`; null takes it away. */
export function mapSteps(steps: readonly Step[], change: (step: Step) => Step | null): Step[] {
  return steps.flatMap((one): Step[] => {
    const step = change(one);
    if (!step) return [];
    return step.do === 'branch' ? [{ ...step, yes: mapSteps(step.yes, change), no: mapSteps(step.no, change) }] : [step];
  });
}
export const replaced = (steps: readonly Step[], step: Step): Step[] =>
  mapSteps(steps, (one) => (one.id === step.id ? step : one));
export const removed = (steps: readonly Step[], id: number): Step[] => mapSteps(steps, (one) => (one.id === id ? null : one));

/** Where on the ruler a step stands in its own list: sorted by day and time, so that what is dragged takes its place. */
const orderOf = ({ when }: Step): number => {
  if ('date' in when || when.after === 'last') return Number.NaN;
  if ('minutes' in when) return when.minutes;
  const [hours = 0, minutes = 0] = when.at.split(':').map(Number);
  return when.days * 1440 + hours * 60 + minutes;
};
/** Steps counted from the beginning in the order of their time; those that follow the one before stay behind it. */
function sorted(steps: readonly Step[]): Step[] {
  const groups: Step[][] = [];
  for (const step of steps) {
    if (Number.isNaN(orderOf(step)) && groups.length) groups.at(-1)!.push(step);
    else groups.push([step]);
  }
  const keyOf = (group: Step[]) => {
    const key = orderOf(group[0]!);
    return Number.isNaN(key) ? -1 : key;
  };
  return groups.sort((a, b) => keyOf(a) - keyOf(b)).flat();
}

/** Moves a step by whole days; a step that follows the one before waits longer or shorter for it. */
export function moved(steps: readonly Step[], id: number, days: number): Step[] {
  const shift = (when: StepTiming): StepTiming => {
    if ('date' in when) return { ...when, days: when.days + days };
    if ('days' in when) return { ...when, days: Math.max(0, when.days + days) };
    return days > 0
      ? { after: when.after, days: Math.floor(when.minutes / 1440) + days, at: '09:00' }
      : { ...when, minutes: Math.max(0, when.minutes + days * 1440) };
  };
  return sorted(mapSteps(steps, (one) => (one.id === id ? { ...one, when: shift(one.when) } : one)));
}

/** Where a new step goes: into the main line, or a way of a branch. */
export interface Way {
  branch: number;
  way: 'yes' | 'no';
}
export function added(steps: readonly Step[], step: Step, way: Way | null = null): Step[] {
  if (!way) return sorted([...steps, step]);
  return mapSteps(steps, (one) =>
    one.do === 'branch' && one.id === way.branch ? { ...one, [way.way]: sorted([...one[way.way], step]) } : one,
  );
}

/** A step beside one, with the same words, a day later; a parting of ways with all that stands on them. @param free as for `freshId` */
export function copied(steps: Step[], id: number, free: number): Step[] {
  const first = freshId(steps, free);
  let next = first;
  const renumbered = (step: Step): Step => {
    const own = { ...step, id: next++ };
    return own.do === 'branch' ? { ...own, yes: own.yes.map(renumbered), no: own.no.map(renumbered) } : own;
  };
  const put = (list: readonly Step[]): Step[] =>
    list.flatMap((one): Step[] => {
      const changed = one.do === 'branch' ? { ...one, yes: put(one.yes), no: put(one.no) } : one;
      return one.id === id ? [changed, renumbered(one)] : [changed];
    });
  return moved(put(steps), first, 1);
}

/** A new step on a day. @param free as for `freshId` */
export function emptyStep(
  steps: readonly Step[],
  what: Channel | 'task' | 'change' | 'branch' | 'talk',
  day: number,
  free: number,
): Step {
  const base = { id: freshId(steps, free), when: { after: 'start', days: day, at: '10:00' } as const };
  if (what === 'task') return { ...base, do: 'task', role: 'owner', note: 'Look at their file.' };
  if (what === 'change') return { ...base, do: 'change', change: { set: 'horizon', horizon: 'nurture' } };
  if (what === 'talk')
    return { ...base, do: 'talk', questions: TALK_ASKS.map((asks) => ({ asks, words: DEFAULT_QUESTIONS[asks], fieldId: null })) };
  if (what === 'branch') return { ...base, do: 'branch', ask: { about: 'has_phone' }, yes: [], no: [] };
  return { ...base, do: 'touch', channel: what, words: CHANNELS[what].first };
}

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const span = (minutes: number): string => {
  if (minutes < 90) return `${minutes} min`;
  return minutes < 2_880 ? `${Math.round(minutes / 60)} hours` : `${Math.round(minutes / 1440)} days`;
};
/** `day 3 at 9 AM`, `2 days after the previous step, at 9 AM`, `7 days before their birthday at 9 AM`. @param clock shows a time of day */
export function whenWords(when: StepTiming, clock: (time: string) => string = clockTime): string {
  if ('date' in when) {
    const date = DATE_NAMES[when.date].toLowerCase();
    const days = Math.abs(when.days);
    return `${days === 0 ? 'on' : `${days} ${days === 1 ? 'day' : 'days'} ${when.days < 0 ? 'before' : 'after'}`} their ${date} at ${clock(when.at)}`;
  }
  if ('minutes' in when) {
    if (when.minutes === 0) return when.after === 'start' ? 'right away' : 'right after the previous step';
    return `${span(when.minutes)} after ${when.after === 'start' ? 'the start' : 'the previous step'}`;
  }
  const on = when.on?.length ? `, on the next ${when.on.map((day) => DAYS[day - 1]).join(' or ')}` : '';
  if (when.after === 'start') return `day ${when.days} at ${clock(when.at)}${on}`;
  return `${when.days} ${when.days === 1 ? 'day' : 'days'} after the previous step, at ${clock(when.at)}${on}`;
}

/** What a step does, in few words. */
export function stepWords(step: Step): string {
  switch (step.do) {
    case 'touch':
      return CHANNELS[step.channel].name;
    case 'task':
      return 'task';
    case 'change':
      return 'change';
    case 'branch':
      return 'if / then';
    case 'talk':
      return 'conversation';
  }
}
