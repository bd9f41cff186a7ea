/** Who is chosen in a list: people one by one, or everybody of the list except some; never loaded to be chosen. */
import type { BulkActionInput, ContactSelection } from '@/core/changes';
import type { Question } from '@/core/segments';

export interface Chosen {
  all: boolean;
  /** Those chosen, or with `all` those left out. */
  ids: ReadonlySet<string>;
}
export const NOBODY: Chosen = { all: false, ids: new Set() };
export const isChosen = (chosen: Chosen, id: string): boolean => chosen.ids.has(id) !== chosen.all;
export const howMany = (chosen: Chosen, total: number): number =>
  chosen.all ? Math.max(0, total - chosen.ids.size) : chosen.ids.size;

/** The same with some chosen or not. */
export function choose(chosen: Chosen, ids: string[], on: boolean): Chosen {
  const next = new Set(chosen.ids);
  for (const id of ids) {
    if (on !== chosen.all) next.add(id);
    else next.delete(id);
  }
  return { all: chosen.all, ids: next };
}

/** As the API takes it. @param question what the list was asked for */
export const selectionOf = (chosen: Chosen, question: Question): ContactSelection =>
  chosen.all ? { question, except: [...chosen.ids] } : { ids: [...chosen.ids] };

/** What the form of a change says: all of it, or null while something is missing. */
export type OnChange = (change: BulkActionInput | null) => void;
