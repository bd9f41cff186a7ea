/** A contact as a file that goes out has one, before it is made into columns, a card or a label. */
import type { Channel, ImportantDate } from '../contacts';
import type { FieldInput } from '../fields';

/** A contact as an export writes one. */
export interface OutgoingPerson {
  id: string;
  household: string | null;
  first_name: string;
  last_name: string;
  company: string | null;
  emails: string[];
  phones: { number: string; extension: string | null }[];
  street: string | null;
  city: string | null;
  region: string | null;
  postal_code: string | null;
  country: string | null;
  roles: string[];
  stage: string;
  horizon: string | null;
  tags: string[];
  wants: Record<string, unknown>;
  source: string | null;
  agent: string | null;
  dates: ImportantDate[];
  permissions: Partial<Record<Channel, 'granted' | 'withdrawn'>>;
  fields: Record<string, FieldInput>;
  added: string;
}
