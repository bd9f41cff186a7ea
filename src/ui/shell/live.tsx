'use client';
/**
 * Hearing what changed: one stream of server-sent events a page. What is looked at is read again, and no more than that: of a list of contacts the
 * one that changed, and counts no more often than people look at them.
 */
import { useEffect } from 'react';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { showContact, nameOf, type ContactPages } from '../contacts';
import { ask } from '../primitives';
import { wasClaimedHere } from '../routing';
import { useToast } from '../kit';
import { useLeadAlert } from './alerts';

interface Heard {
  topic: 'lead' | 'offer' | 'contact' | 'message' | 'call' | 'clock' | 'routing' | 'campaign';
  contactId?: string;
  callId?: string;
  mine?: boolean;
}

const GATHER_MS = 250;
const COUNTS_MS = 10_000;
/** A list of more pages than this was scrolled: what arrives at its head is not in sight. */
const IN_SIGHT_PAGES = 2;

export function useLive(): void {
  const queries = useQueryClient();
  const toast = useToast();
  const router = useRouter();
  const alert = useLeadAlert();
  useEffect(() => {
    const source = new EventSource('/api/v1/events');
    const reread = rereader(queries);
    const tellLead = async (contactId: string) => {
      const contact = await ask('GET /contacts/{id}', { params: { id: contactId } }).catch(() => null);
      if (!contact) return;
      const name = nameOf(contact);
      const open = () => router.push(`/contacts?contact=${contactId}`);
      toast.tell(`New lead: ${name}.`, { does: 'Open', act: open });
      alert({
        title: `New lead: ${name}`,
        body: contact.place.city ?? contact.source ?? '',
        tag: `lead ${contactId}`,
        onOpen: open,
      });
    };
    source.onmessage = (message: MessageEvent<string>) => {
      const heard = JSON.parse(message.data) as Heard;
      if (heard.topic === 'lead' && heard.mine && heard.contactId && !wasClaimedHere(heard.contactId))
        void tellLead(heard.contactId);
      if (heard.topic === 'clock') return reread.mark('everything');
      reread.mark(
        'wire',
        'today',
        'inquiries',
        'offers',
        'ladder',
        'campaigns',
        'answers',
        ...(heard.topic === 'message' ? ['broadcasts', 'templates', 'ab-tests'] : []),
        ...(heard.contactId ? [`contact ${heard.contactId}`] : ['contact', 'timeline', 'enrollments']),
        ...(heard.callId ? ['call'] : []),
        ...(heard.topic === 'lead' || heard.topic === 'offer' ? ['lead-mails', 'doors'] : []),
        ...(heard.topic === 'routing' ? ['invitations'] : []),
      );
      if (heard.topic === 'lead' || !heard.contactId) reread.lists();
      reread.counts();
    };
    source.addEventListener('everything', () => reread.mark('everything'));
    return () => {
      source.close();
      reread.stop();
    };
  }, [queries, toast, router, alert]);
}

/** Reads again what was heard of, a moment later and together. */
function rereader(queries: QueryClient) {
  let stale = new Set<string>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let countTimer: ReturnType<typeof setTimeout> | undefined;
  const flush = () => {
    timer = undefined;
    const now = stale;
    stale = new Set();
    void queries.invalidateQueries({
      predicate: ({ queryKey }) =>
        now.has('everything') || now.has(String(queryKey[0])) || now.has(`contact ${String(queryKey[1])}`),
    });
    for (const key of now) if (key.startsWith('contact ')) void rereadRow(queries, key.slice('contact '.length));
  };
  return {
    mark: (...keys: string[]) => {
      keys.forEach((key) => stale.add(key));
      timer ??= setTimeout(flush, GATHER_MS);
    },
    /** Lists whose head is in sight; others are read when one comes back to them. */
    lists: () => {
      const short = (data: unknown) => ((data as ContactPages | undefined)?.pages?.length ?? 0) <= IN_SIGHT_PAGES;
      void queries.invalidateQueries({
        predicate: ({ queryKey, state }) => queryKey[0] === 'contacts' && queryKey[1] !== 'count' && short(state.data),
      });
    },
    counts: () => {
      countTimer ??= setTimeout(() => {
        countTimer = undefined;
        void queries.invalidateQueries({ queryKey: ['contacts', 'count'] });
      }, COUNTS_MS);
    },
    stop: () => {
      clearTimeout(timer);
      clearTimeout(countTimer);
    },
  };
}

/** One contact of a list, if it is in a list that is looked at. */
async function rereadRow(queries: QueryClient, id: string): Promise<void> {
  const lists = queries.getQueryCache().findAll({ queryKey: ['contacts'], type: 'active' });
  const shown = lists.some(({ state }) =>
    (state.data as ContactPages | undefined)?.pages?.some(({ items }) => items.some((one) => one.id === id)),
  );
  if (!shown) return;
  const contact = await ask('GET /contacts/{id}', { params: { id } }).catch(() => null);
  if (contact) showContact(queries, contact);
}
