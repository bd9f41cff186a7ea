/** Which columns a person sees, in what order and how wide: kept for them on the server. */
import { useCallback } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from '../primitives';
import { COLUMNS, FIRST_COLUMNS, type ColumnDef } from './columns';

export interface GridLook {
  columns: { key: string; width: number }[];
  sort: string;
  descending: boolean;
}
const FIRST: GridLook = {
  columns: FIRST_COLUMNS.map((key) => ({ key, width: COLUMNS.find((column) => column.key === key)!.width })),
  sort: 'created',
  descending: true,
};
const KEY = ['preferences'];

/** What is kept, or null while it is read; and how to keep something else. */
export function useGridLook(all: ColumnDef[]): { look: GridLook | null; keep: (look: GridLook) => void } {
  const queries = useQueryClient();
  const { data, isError } = useQuery({
    queryKey: KEY,
    queryFn: () => ask<{ contacts_grid?: Partial<GridLook> }>('/preferences'),
    staleTime: Infinity,
  });
  const keep = useCallback(
    (look: GridLook) => {
      queries.setQueryData(KEY, (before: object | undefined) => ({ ...before, contacts_grid: look }));
      void ask('/preferences', 'PUT', { contacts_grid: look }).catch(() => {});
    },
    [queries],
  );
  if (!data && !isError) return { look: null, keep };
  const kept = { ...FIRST, ...data?.contacts_grid };
  const columns = kept.columns.filter(({ key }) => all.some((column) => column.key === key));
  return { look: { ...kept, columns: columns.length ? columns : FIRST.columns }, keep };
}
