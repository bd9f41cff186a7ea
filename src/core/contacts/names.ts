/** How the people of one household are called together. */
import { listed } from '../shared';

/** `Oda and Bram Brandvold`, `Oda Brandvold and Bram Oyelaran`, three or more by their names. */
export function namesTogether(people: { first_name: string; last_name: string }[]): string {
  const [one] = people;
  if (people.length < 2) return `${one?.first_name ?? ''} ${one?.last_name ?? ''}`.trim();
  const same = people.every((person) => person.last_name === one!.last_name);
  const names = people
    .map((person) => (same ? person.first_name : `${person.first_name} ${person.last_name}`).trim())
    .filter(Boolean);
  const together = listed(names);
  return same ? `${together} ${one!.last_name}`.trim() : together;
}

/** Their first names together: `Jago and Gideon`; the one who is written to stands first. */
export const firstNamesTogether = (names: string[]): string => listed(names.map((name) => name.trim()).filter(Boolean));
