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
import { ask, freshKey, useUndoHistory } from '../primitives';
import { BlockFields } from './block-fields';
import type { PageRow } from './list';
import { Preview } from './preview';
import type { PageDraft } from './shapes';
import { Sharing } from './sharing';
import { Settings } from './settings';
import {
  Button,
  ErrorMessage,
  GrabHandle,
  Heading,
  HistoryButtons,
  LinkButton,
  moved,
  Row,
  Sortable,
  Split,
  Stack,
  Text,
  UnsavedNotice,
  useSortableItem,
  useToast,
} from '../kit';

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
  const history = useUndoHistory(`page_${first.id}`, draftOf(first));
  const { draft, change } = history;
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
      history.saved(draftOf(saved));
      toast.tell('Saved and live.');
    },
  });
  return (
    <div onKeyDown={history.onKeyDown}>
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>{draft.name || 'Untitled page'}</Heading>
          <Text as="p" tone="soft">
            {PAGE_KIND_NAMES[draft.page.kind]} at{' '}
            <a href={`/p/${row.slug}`} target="_blank" rel="noreferrer">
              /p/{row.slug}
            </a>
          </Text>
        </div>
        <Row above={1}>
          <HistoryButtons history={history} />
          <LinkButton href="/market/pages">All pages</LinkButton>
          <Button look="main" disabled={!changed || errors.length > 0 || save.isPending} onClick={() => save.mutate()}>
            Save
          </Button>
        </Row>
      </Row>
      <UnsavedNotice history={history} />
      <ErrorMessage error={save.error} named />
      {errors
        .filter(({ block }) => !block)
        .map(({ message }) => (
          <Text as="p" tone="late" key={message} role="status">
            {message}
          </Text>
        ))}
      <Split side="602px">
        <div>
          <Blocks page={draft.page} onChange={(page) => change({ ...draft, page })} />
          <Settings draft={draft} onChange={change} />
          <Sharing row={row} />
          <TakeDown row={row} onGone={history.discard} />
        </div>
        <Preview draft={draft} row={row} />
      </Split>
    </div>
  );
}

const freshBlockId = (): string => `b${crypto.randomUUID().slice(0, 8)}`;

function Blocks({ page, onChange }: { page: PublicPage; onChange: (page: PublicPage) => void }) {
  const put = (blocks: Block[]) => onChange({ ...page, blocks });
  const insert = (kind: BlockKind, at: number) => {
    const made = newBlock(kind, freshBlockId());
    put([...page.blocks.slice(0, at), made, ...page.blocks.slice(at)]);
  };
  return (
    <>
      <Row above={1} role="group" aria-label="Blocks to add">
        <Text tone="soft" small>
          Add
        </Text>
        {blocksFor(page.kind).map((kind) => (
          <Button
            key={kind}
            size="tiny"
            disabled={!mayAdd(page, kind)}
            title={mayAdd(page, kind) ? undefined : 'Only one allowed'}
            onClick={() => {
              const foot = page.blocks.findIndex((block) => block.kind === 'footer');
              insert(kind, kind === 'footer' || foot < 0 ? page.blocks.length : foot);
            }}
          >
            {BLOCKS[kind].name}
          </Button>
        ))}
      </Row>
      <Sortable
        id="blocks"
        keys={page.blocks.map(({ id }) => id)}
        nameOf={(id) => {
          const block = page.blocks.find((one) => one.id === id);
          return block ? BLOCKS[block.kind].name : '';
        }}
        onMove={(from, to) => put(moved(page.blocks, from, to))}
      >
        <Stack as="ol" plain gap={0} above={2.5} aria-label="Blocks of the page">
          {page.blocks.map((block, at) => (
            <BlockItem
              key={block.id}
              block={block}
              page={page}
              last={at === page.blocks.length - 1}
              first={at === 0}
              onMove={(by) => put(moved(page.blocks, at, at + by))}
              onRemove={() => put(page.blocks.filter((one) => one !== block))}
              onChange={(next) => put(page.blocks.map((one) => (one === block ? next : one)))}
            />
          ))}
        </Stack>
      </Sortable>
    </>
  );
}

/** One block: taken by its handle, moved by its arrows, removed where the page can do without it. */
function BlockItem({
  block,
  page,
  first,
  last,
  onMove,
  onRemove,
  onChange,
}: {
  block: Block;
  page: PublicPage;
  first: boolean;
  last: boolean;
  onMove: (by: number) => void;
  onRemove: () => void;
  onChange: (block: Block) => void;
}) {
  const { item, handle } = useSortableItem(block.id);
  const { name } = BLOCKS[block.kind];
  return (
    <li {...item}>
      <Row ruled align="start" wrap={false}>
        <GrabHandle name={name} handle={handle} />
        <Stack grow>
          <Row spread>
            <b>{name}</b>
            <Row as="span">
              <Button size="tiny" aria-label={`Move the ${name} up`} disabled={first} onClick={() => onMove(-1)}>
                ↑
              </Button>
              <Button size="tiny" aria-label={`Move the ${name} down`} disabled={last} onClick={() => onMove(1)}>
                ↓
              </Button>
              <Button
                size="tiny"
                aria-label={`Remove the ${name}`}
                disabled={!mayRemove(page, block)}
                title={mayRemove(page, block) ? undefined : 'Required'}
                onClick={onRemove}
              >
                ×
              </Button>
            </Row>
          </Row>
          <BlockFields block={block} page={page} onChange={onChange} />
          {pageErrors(page)
            .filter((error) => error.block === block.id)
            .map(({ message }) => (
              <Text as="p" tone="late" small key={message} role="status">
                {message}
              </Text>
            ))}
        </Stack>
      </Row>
    </li>
  );
}

function TakeDown({ row, onGone }: { row: PageRow; onGone: () => void }) {
  const router = useRouter();
  const toast = useToast();
  const [sure, setSure] = useState(false);
  const [key] = useState(freshKey);
  const remove = useMutation({
    mutationFn: () => ask('DELETE /pages/{id}', { params: { id: row.id }, headers: key }),
    onSuccess: () => {
      onGone();
      toast.tell('Page taken offline. Its leads stay.');
      router.push('/market/pages');
    },
    onError: toast.fail,
  });
  return (
    <Row above={5}>
      {sure ? (
        <Button look="warn" disabled={remove.isPending} onClick={() => remove.mutate()}>
          Take it offline
        </Button>
      ) : (
        <Button onClick={() => setSure(true)}>Take page offline</Button>
      )}
    </Row>
  );
}
