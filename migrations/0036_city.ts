/** The column of cities is called by its name in what people had chosen to see, too. */
import type { Migration } from './migration';

const up = `
update preferences set value = replace(value::text, '"town"', '"city"')::jsonb where key = 'contacts_grid' and value::text like '%"town"%';
`;

export const cityColumn: Migration = { name: '0036_city', up: (run) => run(up) };
