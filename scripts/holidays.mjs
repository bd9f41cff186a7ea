/** Writes the table of movable holidays from the package that knows them: `node scripts/holidays.mjs`. The table is committed, so that no page carries the package. */
import { writeFileSync } from 'node:fs';
import Holidays from 'date-holidays';
import { fromRoot } from './lib/root.mjs';

const FROM = 2024;
const TO = 2060;
const KEYS = {
  'mlk-day': 'Martin Luther King Jr. Day',
  'presidents-day': "Washington's Birthday",
  easter: 'Easter Sunday',
  'memorial-day': 'Memorial Day',
  'labor-day': 'Labor Day',
  thanksgiving: 'Thanksgiving Day',
};

const days = {};
for (let year = FROM; year <= TO; year += 1)
  for (const { date, name } of new Holidays('US').getHolidays(year))
    for (const [key, called] of Object.entries(KEYS)) if (name === called) days[date.slice(0, 10)] = key;
writeFileSync(
  fromRoot('src/core/campaigns/movable-holidays.ts'),
  `/** Movable holidays by day, written by scripts/holidays.mjs. */\nexport const MOVABLE_DAYS = JSON.parse(\n  '${JSON.stringify(days)}',\n) as Record<string, string>;\n`,
);
