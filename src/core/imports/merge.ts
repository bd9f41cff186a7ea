/** One person of a file against the contact who is here already: which columns change, by what was chosen for people who are known. */
import type { ImportedPerson } from './person';
import type { OnMatch } from './plan';

/** The columns of a contact that a file can say something about. */
export interface ContactState {
  first_name: string;
  last_name: string;
  company: string | null;
  street: string | null;
  city: string | null;
  postal_code: string | null;
  region: string | null;
  country: string | null;
  source: string | null;
  roles: string[];
  wants: Record<string, unknown>;
}

const written = (person: ImportedPerson): ContactState => ({
  first_name: person.first,
  last_name: person.last,
  company: person.company,
  street: person.address?.street ?? null,
  city: person.address?.city ?? null,
  postal_code: person.address?.postalCode ?? null,
  region: person.region,
  country: person.country,
  source: person.source,
  roles: person.roles,
  wants: person.wants,
});

/**
 * The columns that change, with their new values; empty when nothing does. `fill` writes into gaps only, `update` lets the file
 * win wherever it says something. An address goes as a whole: a street of one house and a town of another help nobody. Roles are added.
 */
export function mergedColumns(
  here: ContactState,
  person: ImportedPerson,
  how: Exclude<OnMatch, 'skip' | 'new'>,
): Partial<ContactState> {
  const file = written(person);
  const change: Partial<ContactState> = {};
  const set = <K extends keyof ContactState>(key: K, value: ContactState[K]) => {
    if (JSON.stringify(here[key] ?? '') !== JSON.stringify(value ?? '')) change[key] = value;
  };
  if (how === 'update' ? file.first_name || file.last_name : !here.first_name && !here.last_name) {
    if (file.first_name || file.last_name) {
      set('first_name', file.first_name);
      set('last_name', file.last_name);
    }
  }
  for (const key of ['company', 'source'] as const) if (file[key] && (how === 'update' || !here[key])) set(key, file[key]);
  const home = ['street', 'city', 'postal_code', 'region', 'country'] as const;
  if (file.street && (how === 'update' || !here.street))
    for (const key of home) if (file[key] || file.street !== here.street) set(key, file[key] ?? (here.street ? null : here[key]));
  if (!file.street) for (const key of home) if (file[key] && (how === 'update' || !here[key])) set(key, file[key]);
  const roles = [...new Set([...here.roles, ...file.roles])].sort();
  if (roles.length > here.roles.length) change.roles = roles;
  const wants = Object.entries(file.wants).filter(
    ([key, value]) =>
      (how === 'update' || here.wants[key] === undefined) && JSON.stringify(here.wants[key]) !== JSON.stringify(value),
  );
  if (wants.length) change.wants = { ...here.wants, ...Object.fromEntries(wants) };
  return change;
}
