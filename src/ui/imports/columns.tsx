'use client';
/** What each column was taken for, with some of its values; corrected here, and remembered for the next file of the same make. */
import { TARGETS, type ImportColumn, type Target } from '@/core/imports';
import type { Jsoned } from '@/core/shared';
import { NO_WORDS, useVocabulary, useFormat } from '../primitives';
import { Disclosure, Select, Table, Text } from '../kit';

type Column = Jsoned<ImportColumn>;
type Told = { target: Target; place?: string };

export function Columns({
  columns,
  office,
  busy,
  onChange,
}: {
  columns: Column[];
  /** Whether they may add a field. */
  office: boolean;
  busy: boolean;
  onChange: (columns: Told[]) => void;
}) {
  const format = useFormat();
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const tell = (at: number, told: Partial<Told>) =>
    onChange(
      columns.map(({ target, order, place }, n) => ({
        target,
        ...(order ? { order } : {}),
        ...(place ? { place } : {}),
        ...(n === at ? told : {}),
      })),
    );
  return (
    <Disclosure open={columns.length < 16}>
      <summary>{format.number(columns.length)} columns and what they mean</summary>
      <Table cards aria-label="Columns of the file">
        <thead>
          <tr>
            <th>Heading</th>
            <th>Imported as</th>
            <th>Sample values</th>
          </tr>
        </thead>
        <tbody>
          {columns.map((column, at) => (
            <tr key={column.at}>
              <td data-strong="" data-cut="">
                {column.heading || <Text tone="soft">column {column.at + 1}</Text>}
              </td>
              <td data-label="Imported as">
                <Select
                  aria-label={`What “${column.heading || `column ${column.at + 1}`}” is`}
                  value={column.target}
                  disabled={busy}
                  onChange={(event) => tell(at, { target: event.target.value as Target })}
                >
                  {Object.entries(TARGETS).map(([key, name]) => (
                    <option key={key} value={key}>
                      {name}
                    </option>
                  ))}
                </Select>{' '}
                {column.target === 'custom' && (
                  <Select
                    aria-label={`Where “${column.heading}” goes`}
                    value={column.place ?? ''}
                    disabled={busy}
                    onChange={(event) => tell(at, { place: event.target.value || undefined })}
                  >
                    <option value="">the field with this name, or a note</option>
                    {office && <option value="new">a new field</option>}
                    <option value="note">a note</option>
                    {vocabulary.fields.map((field) => (
                      <option key={field.id} value={`field:${field.id}`}>
                        into “{field.name}”
                      </option>
                    ))}
                  </Select>
                )}
              </td>
              <td data-soft="" data-cut="" data-secret="" data-label="Sample values">
                {column.sample?.join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Disclosure>
  );
}
