/** What somebody looks for, out of the cells of a file. */
import type { ImportedPerson } from './person';
import type { Target } from './headings';

/** Puts one cell into the wants of a person; a number that is none stays as it is, under its heading */
export function readWant(person: ImportedPerson, target: Target, value: string, heading: string): void {
  const key = target.slice('want_'.length);
  if (key === 'words') {
    person.wants.words = value;
    return;
  }
  if (key === 'areas' || key === 'kinds' || key === 'features') {
    const found = value
      .split(/[;\n]/)
      .map((one) => one.trim())
      .filter(Boolean);
    if (found.length) person.wants[key] = found;
    return;
  }
  const number = Number(value.replace(/[^\d.]/g, ''));
  if (/\d/.test(value) && Number.isFinite(number)) person.wants[key] = number;
  else person.custom[heading] = value;
}
