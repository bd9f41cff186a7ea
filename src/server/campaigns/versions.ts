/** Versions of campaigns, made ready to be walked. A version never changes, so each process keeps those it has read. */
import { daysOf, programOf, type RunningCampaign, type Plan } from '@/core/campaigns';
import { config, type Tx } from '../shared';

export interface Version extends Omit<RunningCampaign, 'id' | 'name'> {
  id: string;
  plan: Plan;
}
const MOST = 500;
const known = new Map<string, Version>();
/** The database is part of the key: a process of the tests sees one after the other. */
const keyOf = (id: string): string => `${config().databaseUrl} ${id}`;

export const readyVersion = (id: string, plan: Plan): Version => ({
  id,
  plan,
  program: programOf(plan),
  days: daysOf(plan.steps),
});

/** @returns by id */
export async function readVersions(tx: Tx, ids: readonly string[]): Promise<Map<string, Version>> {
  const wanted = [...new Set(ids)];
  const missing = wanted.filter((id) => !known.has(keyOf(id)));
  if (missing.length) {
    const rows = await tx.rows<{ id: string; plan: Plan }>(
      'select id, plan from campaign_versions where id = any($1::bigint[])',
      [missing],
    );
    if (known.size > MOST) known.clear();
    for (const { id, plan } of rows) known.set(keyOf(id), readyVersion(id, plan));
  }
  return new Map(wanted.flatMap((id) => (known.has(keyOf(id)) ? [[id, known.get(keyOf(id))!]] : [])));
}

/** The id of the latest version, for a campaign `p`. */
export const LATEST = '(select v.id from campaign_versions v where v.campaign_id = p.id order by v.number desc limit 1)';
