'use client';
/** The page as visitors will have it, from the same text that they get, in the width of what they hold. Nothing in it can be sent. */
import { useDeferredValue, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { criteriaWords, wordsOfCriteria } from '@/core/market';
import { ask, useNow, useZone, useFormat } from '../primitives';
import { useHomes } from './block-fields';
import type { PageDraft } from './shapes';
import type { PageRow } from './list';
import { pageDocument } from './public';
import { Button, Heading, Row, ScaledFrame, SplitSide, Text } from '../kit';

const WIDTHS = { phone: 390, tablet: 820, screen: 1200 } as const;
type Width = keyof typeof WIDTHS;

export function Preview({ draft, row }: { draft: PageDraft; row: PageRow }) {
  const format = useFormat();
  const { page } = useDeferredValue(draft);
  const [width, setWidth] = useState<Width>(page.kind === 'search' ? 'screen' : page.kind === 'sign_in' ? 'tablet' : 'phone');
  const { data: homes = [] } = useHomes();
  const { data: users = [] } = useQuery({
    queryKey: ['users'],
    queryFn: async () => (await ask('GET /users')).items,
    staleTime: 60_000,
  });
  const words = new URLSearchParams({ ...wordsOfCriteria(page.criteria), limit: '24' });
  const found = useQuery({
    queryKey: ['listings', words.toString()],
    queryFn: () => ask('GET /listings', { query: words }),
    enabled: page.kind === 'search',
    placeholderData: (before) => before,
  });
  const zone = useZone();
  const now = useNow();
  const text = pageDocument(page, {
    slug: row.slug,
    name: draft.name,
    brokerage: row.brokerage,
    agents: Object.fromEntries(users.map((user) => [user.id, user])),
    listings: Object.fromEntries(homes.map((home) => [home.number, home])),
    token: '',
    nonce: '',
    preview: true,
    search: found.data
      ? {
          slug: row.slug,
          homes: found.data.items,
          total: found.data.total,
          next: null,
          query: page.criteria,
          words: {},
          areas: [],
          kinds: [],
          saved: [],
          zone,
          at: now,
        }
      : null,
  });
  const scale = Math.min(1, 600 / WIDTHS[width]);
  return (
    <SplitSide as="section" aria-label="Preview">
      <Row spread above={1}>
        <Heading>Preview</Heading>
        <Row as="span" above={1} role="group" aria-label="Width">
          {(Object.keys(WIDTHS) as Width[]).map((one) => (
            <Button key={one} size="tiny" pressed={one === width} onClick={() => setWidth(one)}>
              {one}
            </Button>
          ))}
        </Row>
      </Row>
      {page.kind === 'search' && found.data && (
        <Text as="p" tone="soft" small>
          {criteriaWords(page.criteria)}: {format.number(found.data.total)} today
        </Text>
      )}
      <ScaledFrame title="The page" sandbox="allow-same-origin" srcDoc={text} width={WIDTHS[width]} height={640} scale={scale} />
    </SplitSide>
  );
}
