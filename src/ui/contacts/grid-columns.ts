/** Which columns a person sees, in what order and how wide: kept for them on the server. */
import { useCallback, useMemo } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { putPreference, usePreferences } from '../primitives';
import { FIRST_ORDER } from './asked';
import { COLUMNS, FIRST_COLUMNS, type ColumnDef } from './columns';

export interface GridLayout {
  columns: { key: string; width: number }[];
  sort: string;
  descending: boolean;
}
const FIRST: GridLayout = {
  columns: FIRST_COLUMNS.map((key) => ({ key, width: COLUMNS.find((column) => column.key === key)!.width })),
  ...FIRST_ORDER,
};

/** What is kept, or null while it is read; and how to keep something else. */
export function useGridLayout(all: ColumnDef[]): { layout: GridLayout | null; save: (layout: GridLayout) => void } {
  const queries = useQueryClient();
  const { data, isError } = usePreferences();
  const save = useCallback((layout: GridLayout) => putPreference(queries, 'contacts_grid', layout), [queries]);
  const kept = data?.contacts_grid as Partial<GridLayout> | undefined;
  const layout = useMemo(() => {
    if (!data && !isError) return null;
    const saved = { ...FIRST, ...kept };
    const columns = saved.columns.filter(({ key }) => all.some((column) => column.key === key));
    return { ...saved, columns: columns.length ? columns : FIRST.columns };
  }, [data, isError, kept, all]);
  return { layout, save };
}
