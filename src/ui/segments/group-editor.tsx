'use client';
/** What to do with a group of conditions: any of them, all of them, none of them, one more, or the group taken out. */
import { useState } from 'react';
import { branchesOf, firstQuestion, type Condition, type FieldDef, type Tree } from '@/core/segments';
import { SubjectPicker, type About } from './subject-picker';
import { Button, Radio, Row, Stack, Text } from '../kit';

const WAYS = [
  ['any', 'any of these'],
  ['all', 'all of these'],
  ['none', 'none of these'],
] as const;

export function GroupEditor({
  group,
  fields,
  about,
  onChange,
}: {
  group: Exclude<Tree, Condition>;
  fields: readonly FieldDef[];
  about?: About;
  onChange: (group: Tree | null) => void;
}) {
  const { how, trees } = branchesOf(group);
  const [adding, setAdding] = useState(false);
  if (adding)
    return (
      <SubjectPicker
        fields={fields}
        about={about}
        onPick={(subject) => onChange({ [how]: [...trees, firstQuestion(subject)] } as unknown as Tree)}
      />
    );
  return (
    <Stack gap={2.5}>
      <Text as="p" strong>
        People who meet
      </Text>
      {WAYS.map(([key, words]) => (
        <Radio key={key} checked={how === key} onChange={() => onChange({ [key]: trees } as unknown as Tree)}>
          {words}
        </Radio>
      ))}
      <Row>
        <Button onClick={() => setAdding(true)}>Add condition…</Button>
        <Button look="warn" onClick={() => onChange(null)}>
          Remove group
        </Button>
      </Row>
    </Stack>
  );
}
