'use client';
/** The public pages: each a door with its address, its QR code and what came by it; new ones are made here. */
import { useState } from 'react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMutation, useQuery } from '@tanstack/react-query';
import { PAGE_KIND_NAMES, PAGE_KINDS, type PageKind, type PageView } from '@/core/pages';
import type { Jsoned } from '@/core/shared';
import { Ago, ask, freshKey } from '../primitives';
import './pages.css';
import { Button, ErrorMessage, Input, LinkButton, Radio } from '../kit';

export type PageRow = Jsoned<PageView>;
const WHAT_FOR: Record<PageKind, string> = {
  form: 'Visitors ask a question. You can embed it in another site.',
  sign_in: 'For a tablet at the door. Works with or without a network.',
  search: 'Visitors browse homes and leave their details after a few.',
};

export function PagesList() {
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
      <div className="headline">
        <div>
          <h1>Public pages</h1>
          <p className="soft">Each page has its own address and lead source.</p>
        </div>
        <LinkButton href="/market">Back to Market</LinkButton>
      </div>
      <ErrorMessage error={error} />
      <div className="pages">
        <section aria-label="Pages">
          {pages?.length === 0 && (
            <p className="empty">No pages yet. Create one: it’s live right away, and you can change it any time.</p>
          )}
          {pages?.map((page) => (
            <div key={page.id} className="pair">
              <span>
                <Link href={`/market/pages/${page.id}`} prefetch={false}>
                  <b>{page.name}</b>
                </Link>{' '}
                <span className="tag">{PAGE_KIND_NAMES[page.page.kind]}</span>
                <span className="soft small" style={{ display: 'block' }}>
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
                    ` · ${page.visitors_30_days.toLocaleString('en-US')} ${page.visitors_30_days === 1 ? 'visitor' : 'visitors'} in 30 days`}
                </span>
              </span>
              <b title="Leads in the last 30 days">{page.arrivals_30_days.toLocaleString('en-US')}</b>
            </div>
          ))}
        </section>
        <form
          className="panel"
          style={{ padding: '16px 18px', display: 'grid', gap: 10, alignContent: 'start' }}
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim()) make.mutate();
          }}
        >
          <h2>New page</h2>
          {PAGE_KINDS.map((one) => (
            <label key={one} className="choice">
              <Radio name="kind" checked={kind === one} onChange={() => setKind(one)} />{' '}
              <span>
                <b>{PAGE_KIND_NAMES[one]}</b>
                <span className="soft small" style={{ display: 'block' }}>
                  {WHAT_FOR[one]}
                </span>
              </span>
            </label>
          ))}
          <Input
            style={{ cursor: 'text' }}
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
        </form>
      </div>
    </>
  );
}
