/** The simulator's memory: an append-only file of lines, read back at the start, so that it knows a repeated key even after it was stopped. */
import { existsSync, mkdirSync, openSync, readFileSync, writeSync } from 'node:fs';
import { join } from 'node:path';

export type Line = { type: string } & Record<string, unknown>;

export interface Journal {
  lines: Line[];
  append(line: Line): void;
}

/** Opens the journal in a folder. A half-written last line, from a process that was killed, is passed over. */
export function openJournal(folder: string): Journal {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, 'journal.jsonl');
  const lines: Line[] = [];
  let broken = false;
  if (existsSync(file)) {
    const text = readFileSync(file, 'utf8');
    for (const line of text.split('\n').filter(Boolean)) {
      try {
        lines.push(JSON.parse(line) as Line);
      } catch {
        /* the half-written line */
      }
    }
    broken = text !== '' && !text.endsWith('\n');
  }
  const open = openSync(file, 'a');
  if (broken) writeSync(open, '\n');
  return { lines, append: (line) => void writeSync(open, `${JSON.stringify(line)}\n`) };
}
