'use client';
/** The first people of a file as they will be. */
import { showPhone } from '@/core/capture';
import type { PreviewContact } from '@/core/imports';
import type { Jsoned } from '@/core/shared';
import '../contacts/contacts.css';

export function PreviewTable({
  people,
  doubts,
  rows,
}: {
  people: Jsoned<PreviewContact>[];
  doubts: { row: number; why: string }[];
  rows: number;
}) {
  const why = new Map(doubts.map((doubt) => [doubt.row, doubt.why]));
  return (
    <>
      <div className="group">
        <h2>
          Preview: first {people.length} of {rows.toLocaleString('en-US')}
        </h2>
      </div>
      <div className="file-preview">
        <table className="grid">
          <thead>
            <tr>
              <th className="n">Row</th>
              <th>Name</th>
              <th>Phones</th>
              <th>Emails</th>
              <th>Address</th>
              <th>Roles, stage, tags</th>
              <th>More</th>
            </tr>
          </thead>
          <tbody>
            {people.map((person) => (
              <tr key={person.row} className={why.has(person.row) ? 'doubtful' : ''} title={why.get(person.row)}>
                <td className="n soft">{person.row}</td>
                <td className="cut strong" dir="auto">
                  {[person.first, person.last].filter(Boolean).join(' ') || person.company || (
                    <span className="late">no name</span>
                  )}
                  {person.partner && <span className="soft"> &amp; {(person.partner as { first: string }).first}</span>}
                </td>
                <td className="cut secret">
                  {person.phones
                    ?.map((phone) => `${showPhone(phone)}${person.extensions?.[phone] ? ` x${person.extensions[phone]}` : ''}`)
                    .join(', ')}
                </td>
                <td className="cut secret">{person.emails?.join(', ')}</td>
                <td className="cut secret">
                  {[person.address?.street, person.address?.city, person.address?.postalCode].filter(Boolean).join(', ')}
                </td>
                <td className="cut">
                  {[...(person.roles ?? []), person.stage].filter(Boolean).join(', ')}{' '}
                  {person.tags?.map((tag) => (
                    <span key={tag} className="tag">
                      {tag}
                    </span>
                  ))}
                </td>
                <td className="cut soft">
                  {why.has(person.row) ? (
                    <span className="late">{why.get(person.row)}</span>
                  ) : (
                    [
                      person.birthday && `born ${person.birthday.replace(/^--/, '')}`,
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
        </table>
      </div>
    </>
  );
}
