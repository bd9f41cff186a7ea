/** Intake: with the inquiries and the one that is open brought along, so that nothing below it moves while one reaches for it. */
import type { Metadata } from 'next';
import { HydrationBoundary } from '@tanstack/react-query';
import { runsTheOffice, type Scope } from '@/core/accounts';
import { jsoned, requireUser } from '@/app/_http/page';
import { seedsOf } from '@/app/_http/seeds';
import { findInquiry, listDoors, listInquiries } from '@/server/capture';
import { readTrace } from '@/server/routing';
import { readOffered } from '@/server/segments';
import { now } from '@/server/shared';
import { INQUIRIES_SHOWN, IntakeArea } from '@/ui/capture';

export const metadata: Metadata = { title: 'Intake' };

export default async function Page({ searchParams }: { searchParams: Promise<{ inquiry?: string | string[] }> }) {
  const { scope, user } = await requireUser('intake');
  const { inquiry } = await searchParams;
  const [doors, seeds] = await Promise.all([
    now().then((at) => listDoors(scope, at)),
    seedsOfIntake(scope, typeof inquiry === 'string' && /^\d{1,18}$/.test(inquiry) ? inquiry : null),
  ]);
  return (
    <HydrationBoundary state={seeds}>
      <IntakeArea doors={jsoned(doors)} office={runsTheOffice(user.role)} />
    </HydrationBoundary>
  );
}

/** @param asked the inquiry that the address names; without one the first is open */
async function seedsOfIntake(scope: Scope, asked: string | null) {
  const { items, next } = await listInquiries(scope, INQUIRIES_SHOWN);
  const open = asked ?? items[0]?.id;
  return seedsOf([
    [['inquiries', INQUIRIES_SHOWN], Promise.resolve({ items, next_cursor: next })],
    [['vocabulary'], readOffered(scope)],
    ...(open
      ? ([
          [['inquiry', open], findInquiry(scope, open)],
          [['inquiries', 'trace', open], readTrace(scope, open)],
        ] as [string[], Promise<unknown>][])
      : []),
  ]);
}
