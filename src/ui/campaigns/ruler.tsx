'use client';
/**
 * The day ruler: days run to the right, a lane for each channel and one for tasks, changes and partings. Steps sit on their day, are
 * dragged along it or moved by the arrow keys; where ways part, each way has a ruler of its own below.
 */
import type { Format } from '@/core/format';
import { CONVERSATION_CHANNEL } from '@/core/conversations';
import { capitalized } from '@/core/shared';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { daysOf, moved, removed, stepWords, whenWords, type Step } from '@/core/campaigns';
import { CHANNEL_KEYS, CHANNELS } from '@/core/contacts';
import { Glyph, useFormat } from '../primitives';
import type { Campaign } from './shapes';
import './ruler.css';
import { BareButton, DragBoard, Text, useDragTile, useDropPlace } from '../kit';

const LANES = [...CHANNEL_KEYS, 'other'] as const;
type Lane = (typeof LANES)[number];
const withArticle = (word: string): string => `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`;
const laneOf = (step: Step): Lane => (step.do === 'touch' ? step.channel : step.do === 'talk' ? CONVERSATION_CHANNEL : 'other');
const laneName = (lane: Lane): string => (lane === 'other' ? 'Other' : capitalized(CHANNELS[lane].name));

/** Up to so many days are all shown; of a longer campaign those with steps, their neighbors, and how many lie between. */
const ALL_DAYS = 14;
interface Column {
  day: number;
  /** So many days, in one narrow column. */
  span: number;
}
function columnsOf(days: readonly number[]): Column[] {
  const last = Math.max(6, ...days) + 1;
  if (last <= ALL_DAYS) return Array.from({ length: last + 1 }, (_, day) => ({ day, span: 1 }));
  const shown = [...new Set([...days.flatMap((day) => [day, day + 1]), 0, last])].filter((day) => day >= 0).sort((a, b) => a - b);
  return shown.flatMap((day, at) => {
    const before = shown[at - 1];
    const gap = before === undefined ? 0 : day - before - 1;
    return gap > 0
      ? [
          { day: before! + 1, span: gap },
          { day, span: 1 },
        ]
      : [{ day, span: 1 }];
  });
}

export interface RulerProps {
  steps: Step[];
  counts: Campaign['steps'];
  chosen: number | null;
  errors: ReadonlySet<number>;
  onChoose: (id: number) => void;
  onChange?: (steps: Step[]) => void;
  onAdd?: (lane: Lane, day: number) => void;
  onCopy?: (id: number) => void;
}

/** One line of steps; branches are drawn below it by whoever holds it. */
export function Ruler({
  steps,
  counts,
  chosen,
  errors,
  onChoose,
  onChange,
  onAdd,
  onCopy,
  from = 0,
  label,
}: RulerProps & { from?: number; label: string }) {
  const days = daysOf(steps, from);
  const columns = columnsOf(steps.map(({ id }) => days.get(id)! - from)).map((column) => ({ ...column, day: column.day + from }));
  const holds = ({ day, span }: Column, at: number) => at >= day && at < day + span;
  /* A tile of a folded stretch goes to its first day. */
  const drop = (tile: string, place: string) => {
    const id = Number(tile);
    onChange?.(moved(steps, id, Number(place.split(' ')[1]) - days.get(id)!));
  };
  const board = useRef<HTMLDivElement>(null);
  /* A step that a key moved stands in another cell: the focus goes along; to its neighbor when a key took it away. */
  const [focusOn, setFocusOn] = useState<{ id: number } | null>(null);
  useEffect(() => {
    if (focusOn) board.current?.querySelector<HTMLElement>(`[data-step="${focusOn.id}"]`)?.focus();
  }, [focusOn]);
  const moveByKey =
    onChange &&
    ((id: number, by: number) => {
      setFocusOn({ id });
      onChange(moved(steps, id, by));
    });
  const removeByKey =
    onChange &&
    ((id: number) => {
      const at = steps.findIndex((one) => one.id === id);
      setFocusOn(steps[at + 1] ?? steps[at - 1] ?? null);
      onChange(removed(steps, id));
    });
  return (
    <DragBoard id={`ruler ${label}`} onDrop={drop}>
      <div
        ref={board}
        className="ruler"
        role="group"
        aria-label={label}
        style={
          { '--columns': columns.map(({ span }) => (span > 1 ? '46px' : 'minmax(104px, 1fr)')).join(' ') } as React.CSSProperties
        }
      >
        <div className="lane days">
          <span />
          {columns.map(({ day, span }) => (
            <span key={day} className={span > 1 ? 'gap' : undefined}>
              {span > 1 ? <span title={`${span} days with no step`}>+{span}</span> : `Day ${day}`}
            </span>
          ))}
        </div>
        {LANES.map((lane) => (
          <div key={lane} className="lane">
            <span className="name">
              <Glyph name={lane === 'other' ? 'hand' : lane} /> {laneName(lane)}
            </span>
            {columns.map((column) => (
              <RulerCell key={column.day} place={`${lane} ${column.day}`} folded={column.span > 1}>
                {steps
                  .filter((step) => laneOf(step) === lane && holds(column, days.get(step.id)!))
                  .map((step) => (
                    <StepTile
                      key={step.id}
                      step={step}
                      count={counts[String(step.id)]}
                      chosen={step.id === chosen}
                      faulty={errors.has(step.id)}
                      onChoose={() => onChoose(step.id)}
                      draggable={Boolean(onChange)}
                      onMove={moveByKey && ((by) => moveByKey(step.id, by))}
                      onRemove={removeByKey && (() => removeByKey(step.id))}
                      onCopy={onCopy && (() => onCopy(step.id))}
                    />
                  ))}
                {onAdd && column.span === 1 && (
                  <BareButton
                    className="add-step"
                    aria-label={`Add ${lane === 'other' ? 'a task, change, or branch' : withArticle(CHANNELS[lane].name)} on day ${column.day}`}
                    title={`Add ${lane === 'other' ? 'a task, change, or branch' : withArticle(CHANNELS[lane].name)}`}
                    onClick={() => onAdd(lane, column.day)}
                  >
                    +
                  </BareButton>
                )}
              </RulerCell>
            ))}
          </div>
        ))}
      </div>
    </DragBoard>
  );
}

function RulerCell({ place, folded, children }: { place: string; folded: boolean; children: ReactNode }) {
  const { ref, over } = useDropPlace(place);
  return (
    <div ref={ref} className={`cell${folded ? ' gap' : ''}${over ? ' over' : ''}`}>
      {children}
    </div>
  );
}

interface TileProps {
  step: Step;
  count?: Campaign['steps'][string];
  chosen: boolean;
  faulty: boolean;
  draggable: boolean;
  onChoose: () => void;
  onMove?: (days: number) => void;
  onRemove?: () => void;
  onCopy?: () => void;
}
function StepTile({ step, count, chosen, faulty, draggable, onChoose, onMove, onRemove, onCopy }: TileProps) {
  const format = useFormat();
  const tile = useDragTile(String(step.id), !draggable);
  const keys = (event: React.KeyboardEvent) => {
    const by = event.shiftKey ? 7 : 1;
    const acts: Record<string, (() => void) | undefined> = {
      ArrowRight: onMove && (() => onMove(by)),
      ArrowLeft: onMove && (() => onMove(-by)),
      Delete: onRemove,
      Backspace: onRemove,
      d: onCopy,
    };
    const act = acts[event.key];
    if (!act || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    act();
  };
  return (
    <BareButton
      className={`touch${chosen ? ' sel' : ''}${faulty ? ' faulty' : ''} ${step.do}`}
      aria-pressed={chosen}
      data-step={step.id}
      aria-label={`${stepWords(step)}, ${whenWords(step.when, format.clockTime)}${faulty ? ', needs attention' : ''}`}
      title="Drag it, or use the arrow keys. Press d to copy it, Delete to remove it"
      {...tile}
      onClick={onChoose}
      onFocus={onChoose}
      onKeyDown={keys}
    >
      <b>{shortWhen(step, format)}</b>
      <Text block cut>
        {headOf(step)}
      </Text>
      {count && (count.sent > 0 || count.waiting > 0) && (
        <Text block>
          {count.sent > 0 &&
            `${format.number(count.sent)} ${step.do === 'touch' && !CHANNELS[step.channel].isTask ? 'sent' : 'made'}`}
          {count.sent > 0 && count.waiting > 0 && ' · '}
          {count.waiting > 0 && `${format.number(count.waiting)} to go`}
        </Text>
      )}
    </BareButton>
  );
}

const shortWhen = ({ when }: Step, { clockTime }: Format): string => {
  if ('date' in when || 'minutes' in when) return whenWords(when, clockTime);
  return when.after === 'last' ? `+${when.days} d, ${clockTime(when.at)}` : clockTime(when.at);
};
const headOf = (step: Step): string => {
  switch (step.do) {
    case 'touch':
      return step.words.subject || step.words.text;
    case 'task':
      return step.note;
    case 'change':
      return CHANGE_WORDS[step.change.set];
    case 'branch':
      return 'if / then';
    case 'talk':
      return step.questions[0]?.words ?? 'a conversation';
  }
};
export const CHANGE_WORDS = {
  tag: 'adds a tag',
  untag: 'removes a tag',
  stage: 'sets the stage',
  horizon: 'sets the horizon',
  owner: 'hands over',
  field: 'sets a field',
  task: 'a task for their agent',
  begin: 'starts a campaign',
  leave: 'ends a campaign',
} as const;
