'use client';
/** What stands above the grid: search, how many there are, and for the people behind a number of Results which number that is. */
import { useRef, useState } from 'react';
import type { Format } from '@/core/format';
import { hourOf, MEASURES } from '@/core/results';
import { NO_WORDS, useFormat, useVocabulary } from '../primitives';
import { Button, Heading, Input, Row, Text } from '../kit';
import type { ContactList } from './use-contacts';
import type { useAsked } from './question';

/** A moment after the last letter the list is asked. */
const AFTER_MS = 120;

/** Search keeps the letters while one types. */
export function SearchField({ asked, onSearch }: { asked: string; onSearch: (q: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  return (
    <Input
      type="search"
      width={250}
      aria-label="Search contacts"
      placeholder="Name, phone, email, city, tag"
      value={typed ?? asked}
      onBlur={() => setTyped(null)}
      onChange={(event) => {
        const next = event.target.value;
        setTyped(next);
        clearTimeout(timer.current);
        timer.current = setTimeout(() => onSearch(next.trim()), AFTER_MS);
      }}
    />
  );
}

export function Count({ question, list }: { question: Record<string, string>; list: ContactList }) {
  const format = useFormat();
  const { total, capped, approximate } = list;
  return (
    <Text
      nowrap
      aria-live="polite"
      data-count=""
      data-question={total === undefined ? undefined : Object.keys(question).join(' ')}
    >
      {total !== undefined && (
        <>
          <Text strong>
            {approximate ? 'about ' : ''}
            {format.number(total)}
            {capped ? '+' : ''}
          </Text>{' '}
          {total === 1 ? 'person' : 'people'}
          {approximate && (
            <Text tone="soft" small>
              , similar spelling
            </Text>
          )}
        </>
      )}
    </Text>
  );
}

/** A list that is not the people of a number. */
export const NO_NUMBER = { measure: null, agent: null, door: null, roster: null, hour: null, days: null };
/** `Mondays at 9 AM` of `1-9`. */
const hoursWords = (key: string, { weekdays, clockTime }: Format): string | null => {
  const hour = hourOf(key);
  const name = hour && weekdays.find(({ day }) => day === hour.day)?.long;
  return name ? `${name}s at ${clockTime(`${String(hour.hour).padStart(2, '0')}:00`)}` : null;
};

export function Behind({
  query,
  users,
  total,
  onClear,
}: {
  query: ReturnType<typeof useAsked>;
  users: { id: string; name: string }[];
  total?: number;
  onClear: () => void;
}) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const format = useFormat();
  const measure = MEASURES.find((one) => one.key === query.measure);
  if (!measure)
    return (
      <Text as="h1" unseen>
        Contacts
      </Text>
    );
  const agent = users.find(({ id }) => id === query.agent)?.name;
  const { door, roster, hour } = query.by;
  const came = [
    door && vocabulary.names.door?.find(({ value }) => value === door)?.name,
    roster && vocabulary.names.roster?.find(({ value }) => value === roster)?.name,
    hour && hoursWords(hour, format),
  ].filter(Boolean);
  return (
    <div>
      <Heading level={1}>
        {total !== undefined && format.number(total)} {measure.name.toLowerCase()}
        {agent ? `, ${agent}` : ''}
        {came.map((one) => `, ${one}`)}, last {query.days} days
      </Heading>
      <Row>
        <Text tone="soft" small>
          {measure.definition}
        </Text>
        <Button size="small" onClick={onClear}>
          All contacts
        </Button>
      </Row>
    </div>
  );
}
