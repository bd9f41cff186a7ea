/**
 * A drawing of a home, for listings that come without a picture: its shape follows its kind, its windows its bedrooms, its colours its
 * number. It claims nothing else, and is called a drawing wherever it stands.
 */
import { hash32, seeded } from '@/core/shared';

export interface Drawn {
  number: string;
  kind: string | null;
  beds: number | null;
  pool: boolean;
}

const WALLS = ['#e9dcc5', '#d8cdbf', '#c9d3cf', '#e4c9b4', '#cfd3dd', '#dcd8c3', '#d9c0b5'];
const ROOFS = ['#5b6470', '#7a4a33', '#3f5a57', '#4a4e74', '#6b5a4a', '#37474f'];
const DOORS = ['#0b6b7f', '#3b3f91', '#b4541a', '#3e7b4f', '#7a2f3c'];
const SKIES = ['#dfeaf0', '#e8e6ef', '#f3e9dc', '#dcebe6'];

/** @param wide with more of the land around it, for a banner
 * @returns an SVG element as text, 320 by 236 or 760 by 196, safe to stand in a document: nothing of the listing's words is in it */
export function drawHome({ number, kind, beds, pool }: Drawn, { wide = false } = {}): string {
  const random = seeded(hash32(number));
  const [wall, roof, door, sky] = [random.pick(WALLS), random.pick(ROOFS), random.pick(DOORS), random.pick(SKIES)];
  const meadow = random.chance(0.5) ? '#b9c7a4' : '#c6c9a8';
  const shape = /land/i.test(kind ?? '')
    ? land
    : /condo|apartment/i.test(kind ?? '')
      ? block
      : /town/i.test(kind ?? '')
        ? row
        : drawHouse;
  const left = 150 + random.int(0, 14);
  const hill = `<path d="M0 ${left} Q80 ${118 + random.int(0, 20)} 170 ${146 + random.int(0, 10)} T320 ${138 + random.int(0, 14)} T640 140 V236 H-320 V140 Q-160 176 0 ${left}Z" fill="${meadow}" opacity=".7"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${wide ? '-220 24 760 196' : '0 0 320 236'}" role="img" aria-label="Drawing" preserveAspectRatio="xMidYMid slice"><rect x="-400" width="1120" height="236" fill="${sky}"/><circle cx="${random.int(210, 290)}" cy="${random.int(32, 60)}" r="18" fill="#fff" opacity=".7"/>${hill}<rect x="-400" y="188" width="1120" height="48" fill="${meadow}"/>${shape({ wall, roof, door, beds: Math.min(6, Math.max(1, beds ?? 2)), wide: random.int(0, 30) })}${tree(random.int(18, 46), 190)}${tree(random.int(276, 304), 194)}${pool ? '<ellipse cx="252" cy="212" rx="42" ry="9" fill="#8fc3d6"/>' : ''}${wide ? `${tree(-120, 192)}${tree(-86, 198)}${tree(430, 190)}` : ''}</svg>`;
}

interface Look {
  wall: string;
  roof: string;
  door: string;
  beds: number;
  wide: number;
}
const pane = (x: number, y: number, w = 22, h = 26): string =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="#f7f4ea" stroke="#5b6470" stroke-width="2"/><path d="M${x + w / 2} ${y}v${h}M${x} ${y + h / 2}h${w}" stroke="#5b6470"/>`;
const tree = (x: number, foot: number): string =>
  `<path d="M${x} ${foot}v-34" stroke="#6b5a4a" stroke-width="4"/><ellipse cx="${x}" cy="${foot - 46}" rx="17" ry="25" fill="#3e7b4f" opacity=".85"/>`;
const entry = (x: number, color: string): string =>
  `<rect x="${x}" y="156" width="24" height="40" fill="${color}"/><circle cx="${x + 19}" cy="177" r="1.8" fill="#f7f4ea"/>`;
const each = (n: number, draw: (at: number) => string): string => Array.from({ length: n }, (_, at) => draw(at)).join('');

function drawHouse({ wall, roof, door, beds, wide }: Look): string {
  const width = 130 + wide + beds * 8;
  const x = Math.round((320 - width) / 2);
  const tall = beds > 3;
  const top = tall ? 96 : 126;
  const windows = Math.max(2, Math.ceil(beds / (tall ? 2 : 1)));
  const gap = (width - 24) / windows;
  const upper = tall ? each(windows, (at) => pane(x + 12 + at * gap + (gap - 22) / 2, 106)) : '';
  const lower = each(windows, (at) => {
    const px = x + 12 + at * gap + (gap - 22) / 2;
    return Math.abs(px + 11 - 160) < 26 ? '' : pane(px, 154);
  });
  return `<rect x="${x}" y="${top}" width="${width}" height="${196 - top}" fill="${wall}"/><path d="M${x - 12} ${top} L160 ${top - 50} L${x + width + 12} ${top}Z" fill="${roof}"/><rect x="${x + width - 40}" y="${top - 44}" width="14" height="32" fill="${roof}"/>${upper}${lower}${entry(148, door)}`;
}

function row({ wall, roof, door, wide }: Look): string {
  return each(3, (at) => {
    const x = 58 + at * 68;
    const top = 92 + ((at * 7 + wide) % 12);
    return `<rect x="${x}" y="${top}" width="66" height="${196 - top}" fill="${wall}" opacity="${at === 1 ? 1 : 0.75}"/><path d="M${x - 2} ${top} L${x + 33} ${top - 30} L${x + 68} ${top}Z" fill="${roof}"/>${pane(x + 8, top + 16)}${pane(x + 37, top + 16)}${pane(x + 8, 154)}${entry(x + 36, at === 1 ? door : roof)}`;
  });
}

function block({ wall, roof, door, wide }: Look): string {
  const floors = 3 + (wide % 2);
  const top = 196 - floors * 36 - 8;
  return `<rect x="76" y="${top}" width="168" height="${196 - top}" fill="${wall}"/><rect x="70" y="${top - 8}" width="180" height="10" fill="${roof}"/>${each(
    floors - 1,
    (floor) => each(4, (at) => pane(90 + at * 38, top + 10 + floor * 36, 22, 20)),
  )}${pane(90, 160, 22, 20)}${pane(204, 160, 22, 20)}${entry(148, door)}`;
}

const land = ({ roof }: Look): string =>
  `<path d="M40 208 L120 176 L262 180 L300 214Z" fill="#d9d6b4" stroke="${roof}" stroke-width="2" stroke-dasharray="7 6"/>${tree(150, 188)}${tree(206, 196)}<path d="M236 206v-34m-14 4h28v16h-28z" stroke="${roof}" stroke-width="3" fill="#f7f4ea"/>`;
