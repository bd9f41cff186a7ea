/** What pages and API answers show of segments. */
import type { FieldDef, Vocabulary } from './subjects';
import type { Tree } from './tree';

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

/** The names of everything a segment may name. */
export interface VocabularyView {
  names: Partial<Record<Vocabulary, { value: string; name: string }[]>>;
  fields: FieldDef[];
}
