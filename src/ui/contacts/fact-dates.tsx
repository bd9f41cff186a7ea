'use client';
/** The important dates of a contact: each typed in any usual spelling, with or without its year. */
import { useState } from 'react';
import { capitalized } from '@/core/shared';
import { DATE_KINDS, DATE_NAMES, type DateKind } from '@/core/contacts';
import { useFormat } from '../primitives';
import { Button, DateField, FactLine, Input, MenuButton, Row, useToast } from '../kit';
import { useSaveFact } from './in-place';
import type { ContactInFull } from './types';

type Dates = ContactInFull['dates'];
const nameOfKind = (kind: DateKind): string => capitalized(DATE_NAMES[kind]);

export function FactDates({ contact, readOnly }: { contact: ContactInFull; readOnly: boolean }) {
  const format = useFormat();
  const save = useSaveFact(contact);
  const toast = useToast();
  const put = (dates: Dates, undo?: Dates) =>
    void save({ dates }).then(() => undo && toast.tell('Date removed.', () => put(undo)), toast.fail);
  const { dates } = contact;
  const set = (at: number, change: Partial<Dates[number]>) =>
    put(dates.map((date, n) => (n === at ? { ...date, ...change } : date)));
  if (readOnly)
    return dates.map((date, at) => (
      <FactLine key={at} label={date.label || nameOfKind(date.kind)}>
        {format.plainDay(date.on)}
      </FactLine>
    ));
  return (
    <>
      {dates.map((date, at) => (
        <FactLine key={at} label={date.label || nameOfKind(date.kind)}>
          <Row gap={1.5}>
            <DateField
              label={`${date.label || nameOfKind(date.kind)}: date`}
              yearless
              value={date.on}
              onChange={(on) => on && set(at, { on })}
            />
            <Button
              size="tiny"
              aria-label={`Remove ${date.label || nameOfKind(date.kind)}`}
              onClick={() =>
                put(
                  dates.filter((_, n) => n !== at),
                  dates,
                )
              }
            >
              Remove
            </Button>
          </Row>
        </FactLine>
      ))}
      <NewDate has={dates.map(({ kind }) => kind)} onAdd={(date) => put([...dates, date])} />
    </>
  );
}

/** Which kind first, then the day; a kind that comes once is offered once. */
function NewDate({ has, onAdd }: { has: DateKind[]; onAdd: (date: Dates[number]) => void }) {
  const [kind, setKind] = useState<DateKind | null>(null);
  const [label, setLabel] = useState('');
  if (!kind)
    return (
      <Row>
        <MenuButton
          size="tiny"
          choices={DATE_KINDS.filter((one) => one === 'other' || !has.includes(one)).map((one) => ({
            key: one,
            name: nameOfKind(one),
            onChoose: () => setKind(one),
          }))}
        >
          + Date
        </MenuButton>
      </Row>
    );
  return (
    <FactLine label={nameOfKind(kind)}>
      <Row gap={1.5}>
        {kind === 'other' && (
          <Input
            autoFocus
            aria-label="What for"
            placeholder="What for"
            width={120}
            value={label}
            onChange={({ target }) => setLabel(target.value)}
          />
        )}
        <DateField
          autoFocus={kind !== 'other'}
          label={`${nameOfKind(kind)}: date`}
          yearless
          value={null}
          onChange={(on) => {
            if (on) onAdd({ kind, label, on });
            setKind(null);
            setLabel('');
          }}
        />
        <Button size="tiny" onClick={() => setKind(null)}>
          Cancel
        </Button>
      </Row>
    </FactLine>
  );
}
