'use client';
/** Choosing what a condition asks about: all subjects by their groups, narrowed as one types. */
import { LEAD_SUBJECTS, SUBJECT_GROUPS, SUBJECTS, subjectOfField, type FieldDef, type Subject } from '@/core/segments';
import { Combo } from '../kit';

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
  const all = [...(about === 'lead' ? LEAD_SUBJECTS : []), ...SUBJECTS, ...fields.map(subjectOfField)];
  const byKey = new Map(all.map((subject) => [subject.key, subject]));
  const inGroups = SUBJECT_GROUPS.flatMap((group) => all.filter((subject) => subject.group === group));
  return (
    <Combo
      autoFocus
      label="What to filter by"
      placeholder="City, tag, last call…"
      options={inGroups.map(({ key, label, group }) => ({ value: key, name: label, group }))}
      searched={({ value }) => {
        const { label, group, words } = byKey.get(value)!;
        return `${label} ${group} ${words.yes} ${words.none ?? ''}`;
      }}
      onPick={(key) => onPick(byKey.get(key)!)}
    />
  );
}
