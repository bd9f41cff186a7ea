/** Our glyphs: the bird, those of channels and of what happens, the strokes of a horizon. Drawn here, in one line weight. */
import { CHANNELS, byChannel } from '@/core/contacts';
import { useHorizon } from './vocabulary';

export function Bird() {
  return (
    <svg width="34" height="24" viewBox="0 0 34 24" aria-hidden="true">
      <path
        d="M1 23 L12 15.5 C13 9 18 5.5 23 6.2 C24 3.2 28.6 2.6 30 5.6 L33.5 7 L30.2 8.2 C30 13.5 26 18.3 19 18.4 L17.5 18.4 Z"
        fill="var(--bird)"
      />
      <path d="M15.2 14.8 C18 10.8 22.5 10.6 25 12.2 C23 15.9 18.6 17.2 15.2 14.8 Z" fill="var(--bird-belly)" />
      <path d="M12 15.5 C15 13.2 18 12.8 20.5 13.6 L10 19 Z" fill="var(--teal)" />
    </svg>
  );
}

const PATHS: Record<string, string> = {
  ...byChannel((channel) => CHANNELS[channel].glyph),
  visit: 'M8 2l6 5v6.500H9.800v-4H6.200v4H2V7z',
  note: 'M3 13l.8-3.200L11 2.600l2.400 2.400-7.200 7.200z',
  hand: 'M2.500 8h9M8 4l4 4-4 4',
  arrive: 'M8 2.500v11M2.500 8h11',
  wait: 'M8 2a6 6 0 100 12A6 6 0 008 2zM8 5v3.300l2.200 1.400',
  held: 'M8 2a6 6 0 100 12A6 6 0 008 2zM4 12l8-8',
  flag: 'M4 14V2.500h7.500L9.800 5l1.700 2.500H4',
  stop: 'M4 4h8v8H4z',
  done: 'M3 8.500l3.300 3.300L13 4.800',
};

/** A glyph of 16 px; it decorates words beside it and is silent to screen readers. */
export function Glyph({ name }: { name: string }) {
  return (
    <svg
      width="16"
      height="16"
      viewBox="0 0 16 16"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.4"
      strokeLinejoin="round"
      strokeLinecap="round"
      aria-hidden="true"
    >
      <path d={PATHS[name] ?? PATHS.note} />
    </svg>
  );
}

/** A horizon as a stack of one to four strokes; its name for those who do not see it. */
export function Strokes({ horizon }: { horizon: string | null }) {
  const word = useHorizon(horizon);
  const filled = word?.strokes ?? 0;
  const name = horizon ? (word?.name ?? 'Horizon') : 'No horizon yet';
  return (
    <svg width="18" height="13" role="img" aria-label={name}>
      <title>{name}</title>
      {STROKE_HEIGHTS.map((height, at) => (
        <rect
          key={height}
          x={at * 5}
          y={13 - height}
          width="3"
          height={height}
          rx="1"
          fill={at < filled ? 'var(--copper)' : 'var(--line)'}
        />
      ))}
    </svg>
  );
}
/** Of a horizon, from the left. */
const STROKE_HEIGHTS = [5, 8, 10.5, 13];
