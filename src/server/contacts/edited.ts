/** What somebody changed of a person by hand, in words for the timeline: names, company, home, where letters go, the property. */
import type { ContactView, PlaceView } from '@/core/contacts';

type Edited = Pick<ContactView, 'first_name' | 'last_name' | 'company' | 'place' | 'mailing' | 'property'>;
const placed = (place: PlaceView | null): string =>
  [place?.street, place?.city, [place?.region, place?.postal_code].filter(Boolean).join(' ')].filter(Boolean).join(', ');
const FACTS: readonly [string, (contact: Edited) => string][] = [
  ['Name', ({ first_name, last_name }) => `${first_name} ${last_name}`.trim()],
  ['Company', ({ company }) => company ?? ''],
  ['Home', ({ place }) => placed(place)],
  ['Mailing address', ({ mailing }) => placed(mailing)],
  ['Property', ({ property }) => placed(property)],
];

/** `Name changed from Oda Brand to Oda Brandvold`, one for each that is another now. */
export const editedInWords = (before: Edited, after: Edited): string[] =>
  FACTS.flatMap(([name, read]) => {
    const [was, is] = [read(before), read(after)];
    if (was === is) return [];
    if (!was) return [`${name} added: ${is}`];
    return is ? [`${name} changed from ${was} to ${is}`] : [`${name} removed: ${was}`];
  });
