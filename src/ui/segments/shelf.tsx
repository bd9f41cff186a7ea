'use client';
/** The shelf: segments at hand with their live counts, the rest behind “more …”, and keeping what the sentence says now. */
import { useState } from 'react';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Tree } from '@/core/segments';
import { ask, freshKey } from '../primitives';
import { SaveSegmentDialog } from './save-segment-dialog';
import { useSegments, type Segment } from './vocabulary';
import '../contacts/contacts.css';
import { BareButton, Button, useToast } from '../kit';

interface Props {
  /** The segment that is open, if any. */
  openId: string | null;
  /** What the sentence says now, when it is not a kept segment as it stands. */
  unsaved: Tree | null;
  readOnly: boolean;
  onOpen: (segment: Segment | null) => void;
  onSaved: (segment: Segment) => void;
}

export function Shelf({ openId, unsaved, readOnly, onOpen, onSaved: onKept }: Props) {
  const { data: segments = [] } = useSegments();
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const [keeping, setKeeping] = useState(false);
  const queries = useQueryClient();
  const toast = useToast();
  const open = segments.find(({ id }) => id === openId);
  const onShelf = segments.filter((segment) => segment.on_shelf);
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
      onKept(segment);
    },
    onError: toast.fail,
  });
  const remove = useMutation({
    mutationFn: (segment: Segment) => ask('DELETE /segments/{id}', { params: { id: segment.id } }),
    onSuccess: (_, segment) => {
      void queries.invalidateQueries({ queryKey: ['segments'] });
      onOpen(null);
      toast.tell(
        `“${segment.name}” deleted.`,
        () =>
          void ask('POST /segments', {
            body: { name: segment.name, tree: segment.tree, team: segment.team },
            headers: freshKey(),
          }).then(() => queries.invalidateQueries({ queryKey: ['segments'] })),
      );
    },
    onError: toast.fail,
  });
  const ids = onShelf.map(({ id }) => id);
  return (
    <div className="shelf" role="toolbar" aria-label="Segments">
      <BareButton className={`seg${!openId && !unsaved ? ' on' : ''}`} onClick={() => onOpen(null)}>
        Everyone
      </BareButton>
      {(open && !open.on_shelf ? [...onShelf, open] : onShelf).map((segment) => (
        <BareButton
          key={segment.id}
          className={`seg${segment.id === openId ? ' on' : ''}`}
          title={segment.sentence}
          aria-pressed={segment.id === openId}
          onClick={() => onOpen(segment)}
        >
          {segment.name} {segment.broken ? <span className="late">!</span> : <SegmentCount id={segment.id} />}
        </BareButton>
      ))}
      <Button look="text" aria-haspopup="menu" onClick={(event) => setMenu(event.currentTarget)}>
        more…
      </Button>
      {unsaved && !readOnly && (
        <>
          <Button onClick={() => setKeeping(true)}>Save as a segment</Button>
          {open && (open.mine || open.team) && <Button onClick={() => save.mutate()}>Save to “{open.name}”</Button>}
        </>
      )}
      <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
        {segments.length === 0 && <MenuItem disabled>No segments yet. Build a filter below and save it.</MenuItem>}
        {segments.map((segment) => (
          <MenuItem
            key={segment.id}
            dense
            onClick={() => {
              onOpen(segment);
              setMenu(null);
            }}
          >
            <span style={{ flex: 1 }}>
              {segment.name} <span className="soft small">{segment.team ? 'team' : 'mine'}</span>
              {segment.broken && <span className="late small"> refers to something deleted</span>}
            </span>
            <Button
              size="small"
              style={{ marginLeft: 16 }}
              onClick={(event) => {
                event.stopPropagation();
                lay.mutate(segment.on_shelf ? ids.filter((id) => id !== segment.id) : [...ids, segment.id]);
              }}
            >
              {segment.on_shelf ? 'Unpin' : 'Pin'}
            </Button>
          </MenuItem>
        ))}
        {open && [
          <MenuItem
            key="link"
            dense
            divider
            sx={{ borderTop: '1px solid var(--line)' }}
            onClick={() => {
              void navigator.clipboard.writeText(
                `${window.location.origin}/contacts?where=${encodeURIComponent(JSON.stringify(open.tree))}`,
              );
              toast.tell('Link copied. It opens this list for anyone allowed to see these contacts.');
              setMenu(null);
            }}
          >
            Copy a link to “{open.name}”
          </MenuItem>,
          !readOnly && (
            <MenuItem
              key="copy"
              dense
              onClick={() => {
                setMenu(null);
                setKeeping(true);
              }}
            >
              Copy “{open.name}”…
            </MenuItem>
          ),
          !readOnly && (open.mine || open.team) && (
            <MenuItem
              key="delete"
              dense
              onClick={() => {
                setMenu(null);
                remove.mutate(open);
              }}
            >
              Delete “{open.name}”
            </MenuItem>
          ),
        ]}
      </Menu>
      {keeping && (
        <SaveSegmentDialog
          tree={unsaved ?? open!.tree}
          suggestion={open && !unsaved ? `${open.name}, a copy` : ''}
          onClose={() => setKeeping(false)}
          onSaved={(segment) => {
            setKeeping(false);
            onKept(segment);
          }}
        />
      )}
    </div>
  );
}

function SegmentCount({ id }: { id: string }) {
  const { data } = useQuery({
    queryKey: ['contacts', 'count', `segment=${id}`],
    queryFn: () => ask('GET /contacts/count', { query: { segment: id } }),
    staleTime: 30_000,
  });
  return <b>{data ? data.count.toLocaleString('en-US') : ' '}</b>;
}
