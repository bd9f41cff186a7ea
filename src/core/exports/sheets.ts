/** Address labels: the sheets of stationers, where each label stands, and what is written on it. */
import { namesTogether } from '../contacts';

/** Sheets of address labels as stationers sell them: thirty to a Letter sheet, twenty-one to an A4 sheet. Measures in points (1/72 inch). */
export interface LabelSheet {
  name: string;
  paper: 'LETTER' | 'A4';
  columns: number;
  rows: number;
  width: number;
  height: number;
  left: number;
  top: number;
  /** Between two columns. */
  gap: number;
}
const mm = (millimetres: number): number => (millimetres / 25.4) * 72;

export const SHEETS = {
  thirty: {
    name: '30 to a Letter sheet, 2⅝ × 1 inch',
    paper: 'LETTER',
    columns: 3,
    rows: 10,
    width: 189,
    height: 72,
    left: 13.5,
    top: 36,
    gap: 9,
  },
  twenty_one: {
    name: '21 to an A4 sheet, 63.5 × 38.1 mm',
    paper: 'A4',
    columns: 3,
    rows: 7,
    width: mm(63.5),
    height: mm(38.1),
    left: mm(7.2),
    top: mm(15.1),
    gap: mm(2.5),
  },
} as const satisfies Record<string, LabelSheet>;
/** A sheet of labels or cards. */
export type SheetKey = keyof typeof SHEETS;

/** Where the n-th label stands, counted over all sheets from 0. */
export function labelPlace(sheet: LabelSheet, n: number): { page: number; x: number; y: number } {
  const each = sheet.columns * sheet.rows;
  const here = n % each;
  return {
    page: Math.floor(n / each),
    x: sheet.left + (here % sheet.columns) * (sheet.width + sheet.gap),
    y: sheet.top + Math.floor(here / sheet.columns) * sheet.height,
  };
}

interface Addressee {
  first_name: string;
  last_name: string;
  company: string | null;
  street: string | null;
  city: string | null;
  region: string | null;
  postal_code: string | null;
  country: string | null;
}

/** The lines of a label; empty when there is no street to send to. */
export function labelLines(people: Addressee[]): string[] {
  const [home] = people;
  if (!home?.street) return [];
  const town = [home.city, [home.region, home.postal_code].filter(Boolean).join(' ')].filter(Boolean).join(', ');
  return [namesTogether(people), home.company ?? '', home.street, town, home.country ?? ''].filter(Boolean);
}
