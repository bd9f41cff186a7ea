'use client';
/** Changing a public page: its blocks in their order, dragged or moved by keys, beside the page as visitors will have it. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import {
  BLOCKS,
  blocksFor,
  pageErrors,
  mayAdd,
  mayRemove,
  newBlock,
  PAGE_KIND_NAMES,
  type Block,
  type BlockKind,
  type PublicPage,
} from '@/core/pages';
import { ask, freshKey, moved, useOrder, useUndoHistory } from '../primitives';
import { BlockFields } from './block-fields';
import type { PageRow } from './list';
import { Preview } from './preview';
import type { PageDraft } from './shapes';
import { Sharing } from './sharing';
import { Settings } from './settings';
import './pages.css';
import { Button, ErrorMessage, LinkButton, useToast } from '../kit';

const draftOf = ({ name, slug, source, tags, page }: PageRow): PageDraft => ({
  name,
  slug,
  source: source ?? '',
  tags: tags.join(', '),
  page: page as PublicPage,
});
const listed = (tags: string): string[] =>
  tags
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);

export function PageEditor({ first }: { first: PageRow }) {
  const { data: row } = useQuery({
    queryKey: ['pages', first.id],
    queryFn: () => ask('GET /pages/{id}', { params: { id: first.id } }),
    initialData: first,
  });
  const { draft, change, put, back, forward, mayBack, mayForward, onKeyDown } = useUndoHistory(draftOf(first));
  const queries = useQueryClient();
  const toast = useToast();
  const errors = pageErrors(draft.page);
  const changed = JSON.stringify(draft) !== JSON.stringify(draftOf(row));
  const save = useMutation({
    mutationFn: () =>
      ask('PATCH /pages/{id}', {
        params: { id: row.id },
        body: {
          name: draft.name,
          slug: draft.slug,
          source: draft.source || null,
          tags: listed(draft.tags),
          page: draft.page,
        },
      }),
    onSuccess: (saved) => {
      queries.setQueryData(['pages', row.id], saved);
      void queries.invalidateQueries({ queryKey: ['pages'], exact: true });
      put(draftOf(saved));
      toast.tell('Saved and live.');
    },
  });
  return (
    <div onKeyDown={onKeyDown}>
      <div className="headline">
        <div>
          <h1>{draft.name || 'Untitled page'}</h1>
          <p className="soft">
            {PAGE_KIND_NAMES[draft.page.kind]} at{' '}
            <a href={`/p/${row.slug}`} target="_blank" rel="noreferrer">
              /p/{row.slug}
            </a>
          </p>
        </div>
        <div className="beside">
          <Button disabled={!mayBack} onClick={back} title="Undo (Ctrl+Z)">
            Undo
          </Button>
          <Button disabled={!mayForward} onClick={forward} title="Redo (Ctrl+Shift+Z)">
            Redo
          </Button>
          <LinkButton href="/market/pages">All pages</LinkButton>
          <Button look="main" disabled={!changed || errors.length > 0 || save.isPending} onClick={() => save.mutate()}>
            Save
          </Button>
        </div>
      </div>
      <ErrorMessage error={save.error} named />
      {errors
        .filter(({ block }) => !block)
        .map(({ message }) => (
          <p key={message} className="late" role="status">
            {message}
          </p>
        ))}
      <div className="page-editor">
        <div>
          <Blocks page={draft.page} onChange={(page) => change({ ...draft, page })} />
          <Settings draft={draft} onChange={change} />
          <Sharing row={row} />
          <TakeDown row={row} />
        </div>
        <Preview draft={draft} row={row} />
      </div>
    </div>
  );
}

function Blocks({ page, onChange }: { page: PublicPage; onChange: (page: PublicPage) => void }) {
  const [carried, setCarried] = useState<BlockKind | null>(null);
  const put = (blocks: Block[]) => onChange({ ...page, blocks });
  const insert = (kind: BlockKind, at: number) => {
    const made = newBlock(kind, `b${Date.now().toString(36)}`);
    put([...page.blocks.slice(0, at), made, ...page.blocks.slice(at)]);
  };
  const order = useOrder(page.blocks, put, (at) => carried && insert(carried, at));
  const errors = pageErrors(page);
  return (
    <>
      <div className="beside" role="group" aria-label="Blocks to add">
        <span className="soft small">Add</span>
        {blocksFor(page.kind).map((kind) => (
          <Button
            key={kind}
            size="tiny"
            disabled={!mayAdd(page, kind)}
            draggable={mayAdd(page, kind)}
            title={mayAdd(page, kind) ? 'Click to add, or drag into place' : 'Only one allowed'}
            onDragStart={() => setCarried(kind)}
            onDragEnd={() => setCarried(null)}
            onClick={() => {
              const foot = page.blocks.findIndex((block) => block.kind === 'footer');
              insert(kind, kind === 'footer' || foot < 0 ? page.blocks.length : foot);
            }}
          >
            {BLOCKS[kind].name}
          </Button>
        ))}
      </div>
      <ol className="blocks-list" aria-label="Blocks of the page">
        {page.blocks.map((block, at) => (
          <li key={block.id} className={order.over === at ? 'over' : undefined} {...order.item(at)}>
            <span className="grab" title="Drag to move, or press Alt and an arrow key" aria-hidden="true" {...order.handle(at)}>
              ⠿
            </span>
            <div style={{ minWidth: 0 }}>
              <div className="beside" style={{ justifyContent: 'space-between' }}>
                <b>{BLOCKS[block.kind].name}</b>
                <span className="beside">
                  <Button
                    size="tiny"
                    aria-label={`Move the ${BLOCKS[block.kind].name} up`}
                    disabled={at === 0}
                    onClick={() => put(moved(page.blocks, at, at - 1))}
                  >
                    ↑
                  </Button>
                  <Button
                    size="tiny"
                    aria-label={`Move the ${BLOCKS[block.kind].name} down`}
                    disabled={at === page.blocks.length - 1}
                    onClick={() => put(moved(page.blocks, at, at + 1))}
                  >
                    ↓
                  </Button>
                  <Button
                    size="tiny"
                    aria-label={`Take the ${BLOCKS[block.kind].name} out`}
                    disabled={!mayRemove(page, block)}
                    title={mayRemove(page, block) ? undefined : 'Required'}
                    onClick={() => put(page.blocks.filter((one) => one !== block))}
                  >
                    ×
                  </Button>
                </span>
              </div>
              <BlockFields
                block={block}
                page={page}
                onChange={(next) => put(page.blocks.map((one) => (one === block ? next : one)))}
              />
              {errors
                .filter((error) => error.block === block.id)
                .map(({ message }) => (
                  <p key={message} className="late small" role="status">
                    {message}
                  </p>
                ))}
            </div>
          </li>
        ))}
      </ol>
    </>
  );
}

function TakeDown({ row }: { row: PageRow }) {
  const router = useRouter();
  const toast = useToast();
  const [sure, setSure] = useState(false);
  const [key] = useState(freshKey);
  const remove = useMutation({
    mutationFn: () => ask('DELETE /pages/{id}', { params: { id: row.id }, headers: key }),
    onSuccess: () => {
      toast.tell('Page taken offline. Its leads stay.');
      router.push('/market/pages');
    },
    onError: toast.fail,
  });
  return (
    <p style={{ marginTop: 20 }}>
      {sure ? (
        <Button look="warn" disabled={remove.isPending} onClick={() => remove.mutate()}>
          Removeline
        </Button>
      ) : (
        <Button onClick={() => setSure(true)}>Take page offline</Button>
      )}
    </p>
  );
}
