'use client';
/** The first people of a file as they will be. */
import { showPhone } from '@/core/capture';
import { ROLE_NAMES } from '@/core/contacts';
import type { PreviewContact } from '@/core/imports';
import type { Jsoned } from '@/core/shared';
import { useFormat } from '../primitives';
import { Chip, Heading, Row, Table, Text } from '../kit';

export function PreviewTable({
  people,
  doubts,
  rows,
}: {
  people: Jsoned<PreviewContact>[];
  doubts: { row: number; why: string }[];
  rows: number;
}) {
  const format = useFormat();
  const why = new Map(doubts.map((doubt) => [doubt.row, doubt.why]));
  return (
    <>
      <Row ruled="head" spread above={4}>
        <Heading>
          Preview: first {people.length} of {format.number(rows)}
        </Heading>
      </Row>
      <Table cards height={430} aria-label="Preview of the file">
        <thead>
          <tr>
            <th scope="col" data-numeric="">
              Row
            </th>
            <th scope="col">Name</th>
            <th scope="col">Phones</th>
            <th scope="col">Emails</th>
            <th scope="col">Address</th>
            <th scope="col">Roles, stage, tags</th>
            <th scope="col">More</th>
          </tr>
        </thead>
        <tbody>
          {people.map((person) => (
            <tr key={person.row} data-doubtful={why.has(person.row) ? '' : undefined} title={why.get(person.row)}>
              <td data-numeric="" data-soft="" data-label="Row">
                {person.row}
              </td>
              <td data-cut="" data-strong="" dir="auto">
                {[person.first, person.last].filter(Boolean).join(' ') || person.company || <Text tone="late">no name</Text>}
                {person.partner && <Text tone="soft"> &amp; {(person.partner as { first: string }).first}</Text>}
              </td>
              <td data-cut="" data-secret="" data-label="Phones">
                {person.phones
                  ?.map((phone) => `${showPhone(phone)}${person.extensions?.[phone] ? ` x${person.extensions[phone]}` : ''}`)
                  .join(', ')}
              </td>
              <td data-cut="" data-secret="" data-label="Emails">
                {person.emails?.join(', ')}
              </td>
              <td data-cut="" data-secret="" data-label="Address">
                {[person.address?.street, person.address?.city, person.address?.postalCode].filter(Boolean).join(', ')}
              </td>
              <td data-cut="" data-label="Roles, stage, tags">
                {[...(person.roles ?? []).map((role) => ROLE_NAMES[role]), person.stage].filter(Boolean).join(', ')}
                {person.tags?.map((tag) => [' ', <Chip key={tag}>{tag}</Chip>])}
              </td>
              <td data-cut={why.has(person.row) ? undefined : ''} data-soft="" data-label="More">
                {why.has(person.row) ? (
                  <Text tone="late">{why.get(person.row)}</Text>
                ) : (
                  [
                    person.birthday && `born ${format.plainDay(person.birthday)}`,
                    person.permissions &&
                      Object.entries(person.permissions)
                        .map(([channel, permission]) => `${channel} ${permission === 'granted' ? 'yes' : 'no'}`)
                        .join(', '),
                    person.notes,
                  ]
                    .filter(Boolean)
                    .join(' · ')
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </>
  );
}
