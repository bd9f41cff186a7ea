'use client';
/** The shelf: segments at hand with their live counts, in one's own order; the rest behind “More”, where each is pinned, renamed, shared, copied or deleted. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Tree } from '@/core/segments';
import { ask, freshKey, lazily, useFormat } from '../primitives';
import {
  Button,
  MenuButton,
  moved,
  ShelfButton,
  Sortable,
  Strip,
  Text,
  useSortableItem,
  useToast,
  type MenuChoice,
} from '../kit';
import { useSegments, type Segment } from './vocabulary';

const SaveSegmentDialog = lazily(() => import('./save-segment-dialog').then((one) => one.SaveSegmentDialog));

interface ShelfProps {
  /** The segment that is open, if any. */
  openId: string | null;
  /** What the sentence says now, when it is not a saved segment as it stands. */
  unsaved: Tree | null;
  readOnly: boolean;
  onOpen: (segment: Segment | null) => void;
  onSaved: (segment: Segment) => void;
}

export function Shelf({ openId, unsaved, readOnly, onOpen, onSaved }: ShelfProps) {
  const { data: segments = [] } = useSegments();
  const [dialog, setDialog] = useState<'new' | 'rename' | null>(null);
  const { lay, save } = useShelfChanges({ openId, unsaved, onSaved });
  const open = segments.find(({ id }) => id === openId);
  const onShelf = segments.filter((segment) => segment.on_shelf);
  const ids = onShelf.map(({ id }) => id);
  const mayChange = open && !readOnly && (open.mine || open.team);
  return (
    <Strip role="toolbar" aria-label="Segments">
      <ShelfButton aria-pressed={!openId && !unsaved} onClick={() => onOpen(null)}>
        Everyone
      </ShelfButton>
      <Sortable
        id="shelf"
        direction="wrapped"
        keys={ids}
        nameOf={(id) => segments.find((one) => one.id === id)?.name ?? ''}
        onMove={(from, to) => lay.mutate(moved(ids, from, to))}
      >
        {onShelf.map((segment) => (
          <OnShelf key={segment.id} segment={segment} open={segment.id === openId} onOpen={() => onOpen(segment)} />
        ))}
      </Sortable>
      {open && !open.on_shelf && <SegmentButton segment={open} open onOpen={() => onOpen(open)} />}
      <MoreMenu
        segments={segments}
        open={open}
        ids={ids}
        readOnly={readOnly}
        onOpen={onOpen}
        onLay={lay.mutate}
        onRename={() => setDialog('rename')}
        onCopy={() => setDialog('new')}
      />
      {unsaved && !readOnly && (
        <>
          <Button onClick={() => setDialog('new')}>Save as a segment</Button>
          {mayChange && <Button onClick={() => save.mutate()}>Save to “{open.name}”</Button>}
        </>
      )}
      {dialog && (
        <SaveSegmentDialog
          tree={unsaved ?? open!.tree}
          renaming={dialog === 'rename' ? open : undefined}
          suggestion={open && !unsaved ? `${open.name} (copy)` : ''}
          onClose={() => setDialog(null)}
          onSaved={(segment) => {
            setDialog(null);
            if (dialog === 'new') onSaved(segment);
          }}
        />
      )}
    </Strip>
  );
}

function useShelfChanges({ openId, unsaved, onSaved }: Pick<ShelfProps, 'openId' | 'unsaved' | 'onSaved'>) {
  const queries = useQueryClient();
  const toast = useToast();
  const lay = useMutation({
    mutationFn: (ids: string[]) => ask('PUT /shelf', { body: { segments: ids } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['segments'] }),
    onError: toast.fail,
  });
  const save = useMutation({
    mutationFn: () => ask('PATCH /segments/{id}', { params: { id: openId! }, body: { tree: unsaved! } }),
    onSuccess: (segment) => {
      void queries.invalidateQueries({ queryKey: ['segments'] });
      toast.tell(`“${segment.name}” saved.`);
      onSaved(segment);
    },
    onError: toast.fail,
  });
  return { lay, save };
}

function OnShelf(props: { segment: Segment; open: boolean; onOpen: () => void }) {
  const { item, pointer } = useSortableItem(props.segment.id);
  return (
    <span {...item}>
      <span {...pointer}>
        <SegmentButton {...props} />
      </span>
    </span>
  );
}

function SegmentButton({ segment, open, onOpen }: { segment: Segment; open: boolean; onOpen: () => void }) {
  return (
    <ShelfButton title={segment.sentence} aria-pressed={open} onClick={onOpen}>
      {segment.name} {segment.broken ? <Text tone="late">!</Text> : <SegmentCount id={segment.id} />}
    </ShelfButton>
  );
}

/** Counts of the whole database one after the other: together they would keep what one waits for. */
let last: Promise<unknown> = Promise.resolve();
const inTurn = <Answer,>(work: () => Promise<Answer>): Promise<Answer> => {
  const next = last.then(work, work);
  last = next;
  return next;
};

function SegmentCount({ id }: { id: string }) {
  const format = useFormat();
  const { data } = useQuery({
    queryKey: ['contacts', 'count', `segment=${id}`],
    queryFn: () => inTurn(() => ask('GET /contacts/count', { query: { segment: id } })),
    staleTime: 30_000,
  });
  return <b>{data ? format.number(data.count) : ' '}</b>;
}

/** Every segment to open; for the open one what else can be done with it. */
function MoreMenu({
  segments,
  open,
  ids,
  readOnly,
  onOpen,
  onLay,
  onRename,
  onCopy,
}: {
  segments: Segment[];
  open: Segment | undefined;
  ids: string[];
  readOnly: boolean;
  onOpen: (segment: Segment | null) => void;
  onLay: (ids: string[]) => void;
  onRename: () => void;
  onCopy: () => void;
}) {
  const toast = useToast();
  const remove = useDelete(() => onOpen(null));
  const at = open ? ids.indexOf(open.id) : -1;
  const copyLink = ({ tree }: Segment) => {
    void navigator.clipboard.writeText(`${window.location.origin}/contacts?where=${encodeURIComponent(JSON.stringify(tree))}`);
    toast.tell('Link copied. It opens this list for anyone allowed to see these contacts.');
  };
  const ofOpen: MenuChoice[] = open
    ? [
        {
          key: 'pin',
          apart: true,
          name: at >= 0 ? `Unpin “${open.name}”` : `Pin “${open.name}”`,
          onChoose: () => onLay(at >= 0 ? ids.filter((id) => id !== open.id) : [...ids, open.id]),
        },
        ...(at > 0 ? [{ key: 'left', name: 'Move left on the shelf', onChoose: () => onLay(moved(ids, at, at - 1)) }] : []),
        ...(at >= 0 && at < ids.length - 1
          ? [{ key: 'right', name: 'Move right on the shelf', onChoose: () => onLay(moved(ids, at, at + 1)) }]
          : []),
        { key: 'link', name: 'Copy a link to it', onChoose: () => copyLink(open) },
        ...(readOnly ? [] : [{ key: 'copy', name: 'Copy as a new segment…', onChoose: onCopy }]),
        ...(!readOnly && (open.mine || open.team)
          ? [
              { key: 'rename', name: 'Rename…', onChoose: onRename },
              { key: 'delete', name: `Delete “${open.name}”`, onChoose: () => remove.mutate(open) },
            ]
          : []),
      ]
    : [];
  return (
    <MenuButton
      look="text"
      aria-label="More segments, and what to do with the open one"
      choices={[
        ...(segments.length === 0
          ? [{ key: 'none', name: 'No segments yet. Build a filter below and save it.', disabled: true, onChoose: () => {} }]
          : segments.map((segment) => ({
              key: segment.id,
              name: segment.name,
              note: segment.broken ? 'refers to something deleted' : segment.team ? 'team' : undefined,
              chosen: segment.id === open?.id,
              onChoose: () => onOpen(segment),
            }))),
        ...ofOpen,
      ]}
    >
      More…
    </MenuButton>
  );
}

function useDelete(onGone: () => void) {
  const queries = useQueryClient();
  const toast = useToast();
  const again = () => void queries.invalidateQueries({ queryKey: ['segments'] });
  return useMutation({
    mutationFn: (segment: Segment) => ask('DELETE /segments/{id}', { params: { id: segment.id } }),
    onSuccess: (_, { name, tree, team }) => {
      again();
      onGone();
      toast.tell(
        `“${name}” deleted.`,
        () => void ask('POST /segments', { body: { name, tree, team }, headers: freshKey() }).then(again),
      );
    },
    onError: toast.fail,
  });
}
