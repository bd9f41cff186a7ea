'use client';
/** Hearing what changed: one stream of server-sent events a page, which makes the queries concerned read again; and a word when a lead is mine. */
import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { wasClaimedHere } from '../routing';
import { useToast } from '../kit';

interface Heard {
  topic: 'lead' | 'offer' | 'contact' | 'message' | 'call' | 'clock' | 'routing' | 'campaign';
  contactId?: string;
  callId?: string;
  mine?: boolean;
}

const GATHER_MS = 250;

export function useLive(): void {
  const queries = useQueryClient();
  const toast = useToast();
  const router = useRouter();
  useEffect(() => {
    const source = new EventSource('/api/v1/events');
    let stale = new Set<string>();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const flush = () => {
      timer = undefined;
      const now = stale;
      stale = new Set();
      void queries.invalidateQueries({
        predicate: ({ queryKey }) =>
          now.has('everything') || now.has(String(queryKey[0])) || now.has(`contact ${String(queryKey[1])}`),
      });
    };
    const mark = (...keys: string[]) => {
      keys.forEach((key) => stale.add(key));
      timer ??= setTimeout(flush, GATHER_MS);
    };
    source.onmessage = (message: MessageEvent<string>) => {
      const heard = JSON.parse(message.data) as Heard;
      if (heard.topic === 'lead' && heard.mine && !wasClaimedHere(heard.contactId)) toast.tell('You have a new lead in Today.');
      if (heard.topic === 'offer' && heard.mine) toast.tell('You’ve been offered a lead.');
      if (heard.topic === 'clock') return mark('everything');
      mark(
        'wire',
        'today',
        'inquiries',
        'contacts',
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
    };
    source.addEventListener('everything', () => mark('everything'));
    return () => {
      source.close();
      clearTimeout(timer);
    };
  }, [queries, toast, router]);
}
