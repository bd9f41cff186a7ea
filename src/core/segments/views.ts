/** What pages and API answers show of segments. */
import type { FieldDef, Vocabulary } from './subjects';
import type { Tree } from './tree';

/** A segment as pages and the API show it. */
export interface SegmentView {
  id: string;
  name: string;
  tree: Tree;
  /** The sentence, as of now. */
  sentence: string;
  /** True when it names something that is gone. */
  broken: boolean;
  team: boolean;
  mine: boolean;
  made_by: string | null;
  on_shelf: boolean;
}

/** A word of the account: a stage with its meaning, a horizon also with its rhythm in days and its strokes. */
export interface Word {
  value: string;
  name: string;
  meaning?: string;
  rhythm_days?: number;
  strokes?: number;
  /** True for a person who works here no longer: named, and not offered. */
  left?: boolean;
}

/** The names of everything a segment may name. */
export interface VocabularyView {
  names: Partial<Record<Vocabulary, Word[]>>;
  fields: FieldDef[];
}
