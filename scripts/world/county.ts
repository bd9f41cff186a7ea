/** Lantern County as the generator needs it: towns with postal codes and streets, read from the map that ships beside this file. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

interface Feature {
  properties: { kind: string; name: string; town?: string; postalCodes?: string[] };
}

export interface Town {
  name: string;
  postalCodes: string[];
  neighborhoods: string[];
  streets: string[];
}

/** The towns of the map. Where the map names no streets, the neighborhoods lend their names to some. */
export function readTowns(): Town[] {
  const map = JSON.parse(readFileSync(join(process.cwd(), 'scripts/world/lantern-county.geojson'), 'utf8')) as {
    features: Feature[];
  };
  const named = (kind: string, town: string) =>
    map.features
      .filter(({ properties }) => properties.kind === kind && properties.town === town)
      .map(({ properties }) => properties.name);
  return map.features
    .filter(({ properties }) => properties.kind === 'town')
    .map(({ properties: { name, postalCodes = [] } }) => {
      const neighborhoods = named('neighborhood', name);
      const streets = named('street', name);
      return {
        name,
        postalCodes,
        neighborhoods,
        streets: streets.length ? streets : neighborhoods.flatMap((one) => [`${one} Street`, `${one} Lane`]),
      };
    });
}
