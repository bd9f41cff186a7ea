'use client';
/** Choosing what a condition asks about: all subjects by their groups, narrowed as one types. */
import { useState } from 'react';
import { LEAD_SUBJECTS, SUBJECT_GROUPS, SUBJECTS, subjectOfField, type FieldDef, type Subject } from '@/core/segments';
import '../contacts/contacts.css';
import { BareButton, Input } from '../kit';

/** What a sentence is about: people, or the inquiry that is being routed with its person. */
export type About = 'people' | 'lead';

export function SubjectPicker({
  fields,
  about = 'people',
  onPick,
}: {
  fields: readonly FieldDef[];
  about?: About;
  onPick: (subject: Subject) => void;
}) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const all = [...(about === 'lead' ? LEAD_SUBJECTS : []), ...SUBJECTS, ...fields.map(subjectOfField)];
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = all.filter((subject) =>
    words.every((word) =>
      `${subject.label} ${subject.group} ${subject.words.yes} ${subject.words.none ?? ''}`.toLowerCase().includes(word),
    ),
  );
  return (
    <div className="picker">
      <Input
        autoFocus
        value={text}
        placeholder="What to filter by: city, tag, last call…"
        aria-label="What to filter by"
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(found.length - 1, at + 1));
          else if (event.key === 'ArrowUp') setAt(Math.max(0, at - 1));
          else if (event.key === 'Enter' && found[at]) onPick(found[at]);
          else return;
          event.preventDefault();
        }}
      />
      <div className="groups">
        {SUBJECT_GROUPS.map((group) => {
          const here = found.filter((subject) => subject.group === group);
          if (!here.length) return null;
          return (
            <section key={group}>
              <h2>{group}</h2>
              {here.map((subject) => (
                <BareButton
                  key={subject.key}
                  className={`row${found[at] === subject ? ' sel' : ''}`}
                  onClick={() => onPick(subject)}
                >
                  {subject.label}
                </BareButton>
              ))}
            </section>
          );
        })}
        {!found.length && <p className="soft small">No filter by that name.</p>}
      </div>
    </div>
  );
}
