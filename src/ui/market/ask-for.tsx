'use client';
/** What homes one asks for, as a line of fields; the same in Market and where a home search is made. */
import type { ReactNode } from 'react';
import type { Criteria } from '@/core/market';
import { useMarketNames } from './names';
import { Button, Row, Select, MoneyField } from '../kit';

export function AskFor({
  criteria,
  onChange,
  children,
}: {
  criteria: Criteria;
  onChange: (criteria: Criteria) => void;
  children?: ReactNode;
}) {
  const { data: names } = useMarketNames();
  const put = <Key extends keyof Criteria>(key: Key, value: Criteria[Key] | undefined) => {
    onChange({ ...criteria, [key]: value });
  };
  const number = (key: 'price_min' | 'price_max', label: string) => (
    <Row as="label" small gap={1} wrap={false}>
      {label}{' '}
      <MoneyField label={label} width={110} value={criteria[key] ?? null} onChange={(price) => put(key, price ?? undefined)} />
    </Row>
  );
  const several = (key: 'areas' | 'kinds', label: string, options: { name: string; words: string }[]) => (
    <>
      <Select
        width={130}
        aria-label={label}
        value=""
        onChange={(event) => event.target.value && put(key, [...new Set([...(criteria[key] ?? []), event.target.value])])}
      >
        <option value="">{label}…</option>
        {options.map(({ name, words }) => (
          <option key={name} value={name}>
            {words}
          </option>
        ))}
      </Select>
      {criteria[key]?.map((name) => (
        <Button
          key={name}
          size="tiny"
          selected
          title="Remove"
          onClick={() => {
            const rest = criteria[key]!.filter((one) => one !== name);
            put(key, rest.length ? rest : undefined);
          }}
        >
          {name} ×
        </Button>
      ))}
    </>
  );
  return (
    <Row above={1} role="group" aria-label="Home search">
      {several(
        'areas',
        'Area',
        (names?.areas ?? []).map(({ name, town, n }) => ({ name, words: `${town ? `${town}: ${name}` : name} (${n})` })),
      )}
      {several(
        'kinds',
        'Kind',
        (names?.kinds ?? []).map(({ name, n }) => ({ name, words: `${name} (${n})` })),
      )}
      {number('price_min', 'Min price')}
      {number('price_max', 'Max price')}
      <Select
        aria-label="Bedrooms"
        value={criteria.beds_min ?? ''}
        onChange={(event) => put('beds_min', event.target.value === '' ? undefined : Number(event.target.value))}
      >
        <option value="">any bedrooms</option>
        {[1, 2, 3, 4, 5].map((n) => (
          <option key={n} value={n}>
            {n} or more
          </option>
        ))}
      </Select>
      <Select
        aria-label="For sale or rent"
        value={criteria.lease === undefined ? '' : String(criteria.lease)}
        onChange={(event) => put('lease', event.target.value === '' ? undefined : event.target.value === 'true')}
      >
        <option value="">sale and rent</option>
        <option value="false">for sale</option>
        <option value="true">for rent</option>
      </Select>
      <Button
        size="small"
        pressed={criteria.open_house ?? false}
        onClick={() => put('open_house', criteria.open_house ? undefined : true)}
      >
        open house
      </Button>
      {children}
    </Row>
  );
}
