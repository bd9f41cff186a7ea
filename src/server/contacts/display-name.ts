/** What a contact is called where people read it: the name, or how they are reached when they gave none. */
import { nameSql } from '../shared';
import { showPhone } from '@/core/capture';

/** In SQL, for a contact `c`; `displayName` writes it as people read it. */
export const DISPLAY_NAME = `coalesce(nullif(${nameSql('c')}, ''), (select value from contact_points where contact_id = c.id and active order by position, id limit 1), 'No name')`;
export const displayName = (called: string): string => (called.startsWith('+') ? showPhone(called) : called);
