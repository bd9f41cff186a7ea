/** The ladder as somebody is changing it: kept in this browser until it is applied or put away, so that it survives a reload. */
import { useMemo } from 'react';
import type { Tree } from '@/core/segments';
import type { Notify } from '@/core/routing';
import { useDraft } from '../primitives';
import type { LadderJson } from './shapes';

export interface DraftRung {
  /** Missing for a rung that is new. */
  id?: string;
  /** Stays the same while rungs are moved. */
  key: string;
  tree: Tree;
  roster_id: string;
  campaign_id: string | null;
  tags: string[];
  lender_id: string | null;
  lender_roster_id: string | null;
  notify: Notify[];
}
export interface LadderDraft {
  /** The version that was seen when the change began. */
  version: string;
  own_listing: boolean;
  rungs: DraftRung[];
}

export const draftOf = (ladder: LadderJson): LadderDraft => ({
  version: ladder.version,
  own_listing: ladder.own_listing,
  rungs: ladder.rungs.map((rung) => ({
    id: rung.id,
    key: rung.id,
    tree: rung.tree,
    roster_id: rung.roster.id,
    campaign_id: rung.campaign?.id ?? null,
    tags: rung.tags.map(({ id }) => id),
    lender_id: rung.lender?.id ?? null,
    lender_roster_id: rung.lender_roster?.id ?? null,
    notify: rung.notify,
  })),
});

/** What is sent of a draft. */
export const sentOf = ({ rungs, own_listing }: LadderDraft) => ({
  own_listing,
  rungs: rungs.map(({ id, tree, roster_id, campaign_id, tags, lender_id, lender_roster_id, notify }) => ({
    ...(id ? { id } : {}),
    tree,
    roster_id,
    campaign_id,
    tags,
    lender_id,
    lender_roster_id,
    notify,
  })),
});

export function useLadderDraft(): [LadderDraft | null, (draft: LadderDraft | null) => void] {
  const [text, write, clear] = useDraft('ladder');
  const draft = useMemo(() => (text ? (JSON.parse(text) as LadderDraft) : null), [text]);
  return [draft, (next) => (next ? write(JSON.stringify(next)) : clear())];
}
