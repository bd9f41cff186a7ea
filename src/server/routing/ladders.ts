/** The ladder as it stands, made ready to be asked. It changes seldom and is asked with every lead, so each process keeps it for a moment. */
import { isOffered, readyLadder, type HandOut, type Ladder, type ReadyLadder, type Rung } from '@/core/routing';
import { segmentSentence, type FieldDef } from '@/core/segments';
import { wholeAccount } from '@/core/accounts';
import { listFields } from '../contacts';
import { nameIn, readVocabulary } from '../segments';
import { config, noteMade, wasMadeIn, type Tx, type RowOf } from '../shared';
import type { rungsTable } from './rungs.model';

/** What a version keeps of a rung, with the words of then. */
export interface SavedRung extends Rung {
  who: string;
  /** Each of its parts in words, for traces. */
  parts: string[];
  roster: string;
}

type RungRow = Pick<
  RowOf<typeof rungsTable>,
  'id' | 'position' | 'roster_id' | 'campaign_id' | 'tags' | 'lender_id' | 'lender_roster_id'
> & {
  tree: Rung['tree'];
  notify: Rung['notify'];
};

export const readRungs = async (tx: Tx, accountId: string): Promise<Rung[]> =>
  (
    await tx.rows<RungRow>(
      'select id, position, tree, roster_id, campaign_id, tags, lender_id, lender_roster_id, notify from rungs where account_id = $1 and deleted_at is null order by position, id',
      [accountId],
    )
  ).map((row) => ({
    id: row.id,
    position: row.position,
    tree: row.tree,
    rosterId: row.roster_id,
    campaignId: row.campaign_id,
    tags: row.tags.map(String),
    lender: row.lender_id ? { userId: row.lender_id } : row.lender_roster_id ? { rosterId: row.lender_roster_id } : null,
    notify: row.notify,
  }));

export interface LadderNow {
  version: string;
  ladder: ReadyLadder;
  /** Each rung's sentence, by its id. */
  who: ReadonlyMap<string, string>;
  /** Rosters that offer their leads instead of giving them at once. */
  offering: ReadonlySet<string>;
  zone: string;
  fields: FieldDef[];
}
const KNOWN_MS = 3_000;
const known = new Map<string, { ladder: LadderNow; until: number }>();
/** The database is part of the key: a process of the tests sees one after the other. */
const keyOf = (accountId: string): string => `${config().databaseUrl} ${accountId}`;
export const forgetLadder = (accountId: string): void => void known.delete(keyOf(accountId));

/** The ladder of now. The first time one is asked for, the version that traces refer to is kept. */
export async function ladderNow(tx: Tx, accountId: string): Promise<LadderNow> {
  const cached = known.get(keyOf(accountId));
  if (cached && cached.until > Date.now()) return cached.ladder;
  const head = await tx.first<{ time_zone: string; version: string | null; own_listing: boolean | null }>(
    'select a.time_zone, v.id as version, v.own_listing from accounts a left join lateral (select id, own_listing from ladder_versions where account_id = a.id order by id desc limit 1) v on true where a.id = $1',
    [accountId],
  );
  const ladder: Ladder = { rungs: await readRungs(tx, accountId), ownListing: head!.own_listing ?? false };
  const fields = await listFields(accountId, tx);
  const rosters = await tx.rows<{ id: string; hand_out: HandOut }>('select id, hand_out from rosters where account_id = $1', [
    accountId,
  ]);
  const described = await describe(tx, accountId, ladder.rungs, fields);
  const version = head!.version ?? (await saveLadderVersion(tx, accountId, ladder.ownListing, described, 'Urraca', null));
  const now: LadderNow = {
    version,
    ladder: readyLadder(ladder, head!.time_zone, fields),
    who: new Map(described.map(({ id, who }) => [id, who])),
    offering: new Set(rosters.filter(({ hand_out }) => isOffered(hand_out)).map(({ id }) => id)),
    zone: head!.time_zone,
    fields,
  };
  /* Kept only once it is certain: a version made by a transaction that fails would not be there. */
  if (!wasMadeIn(tx, `ladder ${accountId}`)) known.set(keyOf(accountId), { ladder: now, until: Date.now() + KNOWN_MS });
  return now;
}

/** The rungs in words, as of now. */
export async function describe(tx: Tx, accountId: string, rungs: Rung[], fields: readonly FieldDef[]): Promise<SavedRung[]> {
  const vocabulary = await readVocabulary(wholeAccount(accountId), tx);
  const name = nameIn(vocabulary);
  return rungs.map((rung) => ({
    ...rung,
    who: segmentSentence(rung.tree, name, fields),
    parts: ('all' in rung.tree ? rung.tree.all : [rung.tree]).map((part) => segmentSentence(part, name, fields)),
    roster: name('roster', rung.rosterId) ?? '',
  }));
}

export async function saveLadderVersion(
  tx: Tx,
  accountId: string,
  ownListing: boolean,
  rungs: SavedRung[],
  by: string,
  at: Date | null,
): Promise<string> {
  noteMade(tx, `ladder ${accountId}`);
  const row = await tx.first<{ id: string }>(
    'insert into ladder_versions (account_id, made_at, made_by, own_listing, rungs) values ($1, coalesce($2, now()), $3, $4, $5::jsonb) returning id',
    [accountId, at, by, ownListing, JSON.stringify(rungs)],
  );
  return row!.id;
}
