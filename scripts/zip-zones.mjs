/** Writes the table of time zones by ZIP from the packages that know them: `node scripts/zip-zones.mjs`. The table is committed, so that nothing carries the packages. */
import { writeFileSync } from 'node:fs';
import lookup from '@photostructure/tz-lookup';
import zipcodes from 'zipcodes';
import { fromRoot } from './lib/root.mjs';

const zones = [];
const runs = [];
let last = null;
for (const { zip, latitude, longitude } of Object.values(zipcodes.codes)
  .filter(({ zip, country }) => /^\d{5}$/.test(zip) && country === 'US')
  .sort((a, b) => (a.zip < b.zip ? -1 : 1))) {
  const zone = lookup(latitude, longitude);
  if (zone === last) continue;
  if (!zones.includes(zone)) zones.push(zone);
  runs.push(Number(zip), zones.indexOf(zone));
  last = zone;
}
/* From each ZIP on, until the next: number, zone, number, zone … */
writeFileSync(
  fromRoot('src/core/capture/zip-zones.ts'),
  `/** Time zones by ZIP, written by scripts/zip-zones.mjs: from each ZIP on, until the next, the number of a zone. */\nexport const ZIP_ZONES = JSON.parse(\n  '${JSON.stringify({ zones, runs })}',\n) as { zones: string[]; runs: number[] };\n`,
);
