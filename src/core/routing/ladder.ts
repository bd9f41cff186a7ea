/**
 * The ladder: rungs read from the top, the first that fits decides. What stands before all rungs is fixed: whoever comes back stays with
 * their agent, who was named by the source keeps the lead, and (when switched on) our own listing goes to its agent.
 */
import { testOf, type FieldDef, type Known, type Test, type Tree } from '../segments';
import { branchesOf, conditionsOf, isCondition, isOfLead } from '../segments';
import type { ContactRole } from '../contacts';

export const NOTIFY = ['text', 'email', 'call'] as const;
/** How an agent is told beside the page. */
export type Notify = (typeof NOTIFY)[number];

/** A rung of the ladder: whom it is for, and which roster gets them. */
export interface Rung {
  id: string;
  position: number;
  /** What a lead must meet, over the subjects of the inquiry and of its person; an all-of at the root. */
  tree: Tree;
  rosterId: string;
  campaignId: string | null;
  /** Tags (ids) for whoever comes by it. */
  tags: string[];
  /** A lender attached to each lead: one, or in turn those of a roster. */
  lender: { userId: string } | { rosterId: string } | null;
  notify: Notify[];
}

/** The routing rules, read from the top. */
export interface Ladder {
  rungs: Rung[];
  /** An inquiry on a listing of ours goes to the agent who lists it. */
  ownListing: boolean;
}

/** What the ladder reads of one inquiry. Everything of the person is asked through `Known`. */
export interface LeadFacts {
  doorId: string;
  source: string | null;
  roles: readonly ContactRole[];
  town: string | null;
  postalCode: string | null;
  /** Longitude and latitude. */
  point: readonly number[] | null;
  /** Of the listing, or else the most they would pay. */
  price: number | null;
  kind: string | null;
  /** Number and address of the listing, in one line. */
  listing: string | null;
  hasPhone: boolean;
  hasEmail: boolean;
  language: string | null;
  returning: boolean;
}

/** The inquiry as subjects; what is asked of the person is left to `person`. */
export const knownOfLead =
  (lead: LeadFacts, person: Known = () => null): Known =>
  (subject) => {
    switch (subject) {
      case 'lead_door':
        return lead.doorId;
      case 'lead_source':
        return lead.source;
      case 'lead_role':
        return lead.roles;
      case 'lead_town':
        return lead.town;
      case 'lead_postal':
        return lead.postalCode;
      case 'lead_point':
        return lead.point;
      case 'lead_price':
        return lead.price;
      case 'lead_kind':
        return lead.kind;
      case 'lead_listing':
        return lead.listing;
      case 'lead_has_phone':
        return lead.hasPhone;
      case 'lead_has_email':
        return lead.hasEmail;
      case 'lead_language':
        return lead.language;
      case 'lead_returning':
        return lead.returning;
      default:
        return person(subject);
    }
  };

/** The conditions that stand beside each other at the root of a rung. */
export const partsOf = (tree: Tree): Tree[] =>
  isCondition(tree) || branchesOf(tree).how !== 'all' ? [tree] : branchesOf(tree).trees;

/** A ladder made ready to be asked many times. */
export interface ReadyLadder {
  rungs: { rung: Rung; tests: Test[] }[];
  ownListing: boolean;
  /** True when a rung asks about the person and not about the inquiry alone: then the person must be read. */
  asksPerson: boolean;
}

export function readyLadder(ladder: Ladder, zone: string, fields: readonly FieldDef[] = []): ReadyLadder {
  const rungs = [...ladder.rungs].sort((a, b) => a.position - b.position);
  return {
    rungs: rungs.map((rung) => ({ rung, tests: partsOf(rung.tree).map((part) => testOf(part, zone, fields)) })),
    ownListing: ladder.ownListing,
    asksPerson: rungs.some(({ tree }) => conditionsOf(tree).some(({ on }) => !isOfLead(on))),
  };
}

/** Which rung fits a lead, and why the others do not. */
export interface Decided {
  /** The rung that fits; null when none does. */
  rung: Rung | null;
  /** For each rung above it, in order: which of its parts was the first not met. */
  unmet: number[];
}

/** Asks the rungs from the top. */
export function decide(ladder: ReadyLadder, known: Known, at: Date): Decided {
  const unmet: number[] = [];
  for (const { rung, tests } of ladder.rungs) {
    const missed = tests.findIndex((test) => !test(known, at));
    if (missed < 0) return { rung, unmet };
    unmet.push(missed);
  }
  return { rung: null, unmet };
}

/** What stands before the rungs: who keeps the lead without asking them. */
export type Fixed =
  | { why: 'returning'; userId: string; agent: string }
  | { why: 'shares_address'; userId: string; agent: string; of: string }
  | { why: 'kept_by_hand'; userId: string; agent: string }
  | { why: 'source_assigned'; userId: string; agent: string }
  | { why: 'own_listing'; userId: string; agent: string; listing: string };
