/** The addresses of a contact by channel: where it goes, under what the ledger holds it, in values and in SQL. */
import { CHANNEL_KEYS } from '@/core/contacts';
import {
  addressesOf,
  anyLedgerAddressSql,
  deliveryAddress,
  firstAddressSql,
  ledgerAddressSql,
  mailingAddress,
  pointKind,
  pointKindSql,
  shownAddress,
} from './addresses';

const ODA = {
  address_errors: {} as Record<string, string>,
  id: '7',
  emails: ['oda@x.example', 'second@x.example'],
  phones: ['+15645550111'],
  place: { street: '14 Heron Lane', city: 'Saltmarsh', postal_code: '98741' },
};

test.each([
  ['call', ['+15645550111'], '+15645550111'],
  ['text', ['+15645550111'], '+15645550111'],
  ['email', ['oda@x.example', 'second@x.example'], 'oda@x.example'],
  ['letter', ['person:7'], '14 Heron Lane, Saltmarsh 98741'],
] as const)('a %s is permitted under %j and goes to %s', (channel, ledger, goesTo) => {
  expect(addressesOf(channel, ODA)).toEqual(ledger);
  expect(deliveryAddress(channel, ODA)).toBe(goesTo);
  expect(
    deliveryAddress(channel, {
      ...ODA,
      address_errors: { x: 'y' },
      emails: [],
      phones: [],
      place: { ...ODA.place, postal_code: null },
    }),
  ).toBeNull();
});

test('an address is complete or none', () => {
  for (const missing of ['street', 'city', 'postal_code'] as const)
    expect(mailingAddress({ ...ODA.place, [missing]: '' })).toBeNull();
});

test('what goes where they live is no contact point, in SQL as in values', () => {
  for (const channel of CHANNEL_KEYS) {
    const kind = pointKind(channel);
    expect(shownAddress(channel, 'x')).toEqual(kind ? { to: 'x' } : {});
    expect(ledgerAddressSql(channel, 'c.id', 'p.value')).toBe(kind ? 'p.value' : `'person:' || c.id`);
    expect(pointKindSql('o.channel')).toContain(`when '${channel}' then ${kind ? `'${kind}'` : 'null'}`);
    expect(anyLedgerAddressSql('o.channel', 'c.id', 'o.address')).toContain(
      `when '${channel}' then ${kind ? 'o.address' : `'person:' || c.id`}`,
    );
    expect(firstAddressSql(channel)).toContain(kind ? `cp.kind = '${kind}'` : 'person:');
  }
});
