/** A contact as a line of a file: the headings are such that bringing the file in again changes nothing. */
import { columnsFor, type OutgoingPerson } from '../columns';
import type { FieldInput } from '../fields';
import type { FieldDef } from '../segments';

const shown = (value: FieldInput | undefined): string =>
  value === null || value === undefined
    ? ''
    : Array.isArray(value)
      ? value.join('; ')
      : value === true
        ? 'yes'
        : value === false
          ? 'no'
          : String(value);

const COLUMNS = columnsFor('export').map(([, column]) => column);

export const outgoingHeadings = (fields: readonly FieldDef[]): string[] => [
  ...COLUMNS.map(({ name, heading }) => heading ?? name),
  ...fields.map(({ name }) => name),
];
export const outgoingCells = (person: OutgoingPerson, fields: readonly FieldDef[]): string[] => [
  ...COLUMNS.map((column) => column.export(person)),
  ...fields.map(({ id }) => shown(person.fields[id])),
];
