'use client';
/** The public pages: each a door with its address, its QR code and what came by it; new ones are made here. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useMutation, useQuery } from '@tanstack/react-query';
import { PAGE_KIND_NAMES, PAGE_KINDS, type PageKind, type PageView } from '@/core/pages';
import type { Jsoned } from '@/core/shared';
import { ask, freshKey, useFormat } from '../primitives';
import {
  Ago,
  Button,
  Chip,
  EmptyState,
  ErrorMessage,
  Heading,
  Input,
  LinkButton,
  Panel,
  Radio,
  Row,
  Split,
  Stack,
  Text,
} from '../kit';

export type PageRow = Jsoned<PageView>;
const WHAT_FOR: Record<PageKind, string> = {
  form: 'Visitors ask a question. You can embed it in another site.',
  sign_in: 'For a tablet at the door. Works with or without a network.',
  search: 'Visitors browse homes and leave their details after a few.',
};

export function PagesList() {
  const format = useFormat();
  const router = useRouter();
  const { data: pages, error } = useQuery({
    queryKey: ['pages'],
    queryFn: async () => (await ask('GET /pages')).items,
  });
  const [kind, setKind] = useState<PageKind>('sign_in');
  const [name, setName] = useState('');
  const [key] = useState(freshKey);
  const make = useMutation({
    mutationFn: () => ask('POST /pages', { body: { kind, name }, headers: key }),
    onSuccess: ({ id }) => router.push(`/market/pages/${id}`),
  });
  return (
    <>
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>Public pages</Heading>
          <Text as="p" tone="soft">
            Each page has its own address and lead source.
          </Text>
        </div>
        <LinkButton href="/market">Back to Market</LinkButton>
      </Row>
      <ErrorMessage error={error} />
      <Split side="minmax(320px, 420px)">
        <section aria-label="Pages">
          {pages?.length === 0 && (
            <EmptyState>No pages yet. Create one: it’s live right away, and you can change it any time.</EmptyState>
          )}
          {pages?.map((page) => (
            <Row ruled spread wrap={false} gap={3} key={page.id}>
              <span>
                <LinkButton look="link" href={`/market/pages/${page.id}`}>
                  <Text strong>{page.name}</Text>
                </LinkButton>{' '}
                <Chip>{PAGE_KIND_NAMES[page.page.kind]}</Chip>
                <Text block tone="soft" small above={2}>
                  <a href={`/p/${page.slug}`} target="_blank" rel="noreferrer">
                    /p/{page.slug}
                  </a>{' '}
                  ·{' '}
                  {page.last_arrival_at ? (
                    <>
                      last arrival <Ago at={page.last_arrival_at} />
                    </>
                  ) : (
                    'no one yet'
                  )}
                  {page.page.kind === 'search' &&
                    ` · ${format.number(page.visitors_30_days)} ${page.visitors_30_days === 1 ? 'visitor' : 'visitors'} in 30 days`}
                </Text>
              </span>
              <b title="Leads in the last 30 days">{format.number(page.arrivals_30_days)}</b>
            </Row>
          ))}
        </section>
        <Panel
          as="form"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim()) make.mutate();
          }}
        >
          <Stack gap={2.5}>
            <Heading>New page</Heading>
            {PAGE_KINDS.map((one) => (
              <Radio key={one} name="kind" checked={kind === one} onChange={() => setKind(one)}>
                <span>
                  <b>{PAGE_KIND_NAMES[one]}</b>
                  <Text block tone="soft" small>
                    {WHAT_FOR[one]}
                  </Text>
                </span>
              </Radio>
            ))}
            <Input
              aria-label="Name of the page"
              placeholder="Name, such as “Open house, 14 Heron Lane”"
              maxLength={80}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
            <ErrorMessage error={make.error} named />
            <div>
              <Button type="submit" look="main" disabled={!name.trim() || make.isPending}>
                Create page
              </Button>
            </div>
          </Stack>
        </Panel>
      </Split>
    </>
  );
}
