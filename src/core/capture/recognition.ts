/** What was read from an inquiry, as a person sees it: one line for each thing, and the words by which it is found again in the raw text. */
import { type Channel, CHANNELS } from '../contacts';
import { listed } from '../shared';
import { plainDay, formatMoney, formatNumber } from '../format';
import { showPhone } from './show-phone';

/** An inquiry as it was read; the parts that are shown, any of which may be missing in those of long ago. */
export interface RecognizedLead {
  first_name?: string | null;
  last_name?: string | null;
  emails?: string[];
  phones?: string[];
  extensions?: Record<string, string>;
  partner?: string | null;
  roles?: string[];
  city?: string | null;
  postal_code?: string | null;
  street?: string | null;
  listing?: { id?: string; address?: string; price?: number } | null;
  wants?: Record<string, unknown> | null;
  permissions?: Partial<Record<Channel, boolean>> | null;
  message?: string | null;
  source?: string | null;
  tags?: string[];
}
/** Something that was recognized in a body, and where it stands. */
export interface Recognised {
  name: string;
  shown: string;
  /** What is looked for in the raw text. */
  marks: string[];
}

const dollars = (sum: number): string => formatMoney(sum);
/** A sum as people write it: `525,000`, `525.000`, `525000`, `525k`. */
const writtenAs = (sum: number): string[] => [
  formatNumber(sum),
  sum.toLocaleString('de-DE'),
  String(sum),
  ...(sum % 1_000 === 0 ? [`${sum / 1_000}k`] : []),
];
const number = (value: unknown): number | null => (typeof value === 'number' ? value : null);
const words = (value: unknown): string[] =>
  Array.isArray(value) ? value.filter((one): one is string => typeof one === 'string') : [];

/** `$350,000 to $425,000, 3 bedrooms or more, in Saltmarsh or Tern Harbor`. */
function wantsOf(wants: Record<string, unknown>): Omit<Recognised, 'name'> {
  const [least, most] = [number(wants.price_min), number(wants.price_max)];
  const rooms = (key: string, name: string) => {
    const least = number(wants[key]);
    return least === null ? [] : [`${least} ${least === 1 ? name.slice(0, -1) : name} or more`];
  };
  const areas = words(wants.areas);
  const day = typeof wants.move_by === 'string' ? wants.move_by : null;
  const price =
    least !== null && most !== null
      ? [`${dollars(least)} to ${dollars(most)}`]
      : [...(most !== null ? [`up to ${dollars(most)}`] : []), ...(least !== null ? [`from ${dollars(least)}`] : [])];
  const parts = [
    ...price,
    ...rooms('bedrooms', 'bedrooms'),
    ...rooms('bathrooms', 'bathrooms'),
    ...(areas.length ? [`in ${listed(areas, 'or')}`] : []),
    ...words(wants.features),
    ...(day ? [`by ${plainDay(day)}`] : []),
  ];
  return { shown: parts.join(', '), marks: [...[least, most].flatMap((sum) => (sum === null ? [] : writtenAs(sum))), ...areas] };
}

const listingOf = ({ id, address, price }: NonNullable<RecognizedLead['listing']>): Omit<Recognised, 'name'> => ({
  shown: [id, address, price === undefined || price === null ? null : dollars(price)].filter(Boolean).join(', '),
  marks: [...(id ? [id] : []), ...(address ? [address, ...address.split(', ')] : []), ...(price ? writtenAs(price) : [])],
});

function permissionsOf(permissions: NonNullable<RecognizedLead['permissions']>): Omit<Recognised, 'name'> {
  const namesOf = (yes: boolean) =>
    (Object.keys(permissions) as (keyof typeof permissions)[])
      .filter((channel) => permissions[channel] === yes)
      .map((channel) => CHANNELS[channel].plural);
  const parts = [
    ...(namesOf(true).length ? [`yes to ${listed(namesOf(true))}`] : []),
    ...(namesOf(false).length ? [`no to ${listed(namesOf(false))}`] : []),
  ];
  return { shown: parts.join(', '), marks: [] };
}

/** What was read, in the order in which it is shown; what is not there is left out. */
export function recognisedIn(read: RecognizedLead): Recognised[] {
  const plain = (name: string, values: (string | null | undefined)[], shown = values): Recognised => ({
    name,
    shown: shown.filter(Boolean).join(', '),
    marks: values.filter((value): value is string => Boolean(value)),
  });
  const phones = read.phones ?? [];
  const numbers = phones.map(
    (phone) => `${showPhone(phone)}${read.extensions?.[phone] ? ` ext. ${read.extensions[phone]}` : ''}`,
  );
  return [
    plain('First name', [read.first_name]),
    plain('Last name', [read.last_name]),
    plain('Email', read.emails ?? []),
    plain('Phone', phones, numbers),
    plain('Together with', [read.partner]),
    plain('Role', read.roles ?? []),
    { name: 'Home', ...listingOf(read.listing ?? {}) },
    { name: 'Looking for', ...wantsOf(read.wants ?? {}) },
    { name: 'Permissions', ...permissionsOf(read.permissions ?? {}) },
    plain('City', [read.city]),
    plain('ZIP', [read.postal_code]),
    plain('Street', [read.street]),
    plain('Message', [read.message]),
    plain('Lead source', [read.source]),
    plain('Tags', read.tags ?? []),
  ].filter(({ shown }) => shown);
}
