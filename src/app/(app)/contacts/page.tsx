/** Contacts: the frame at once, its first rows as soon as they are read. */
import { Suspense } from 'react';
import type { Metadata } from 'next';
import { HydrationBoundary } from '@tanstack/react-query';
import { runsTheOffice, type Scope, type User } from '@/core/accounts';
import { readContactsPage, type ListQuery } from '@/app/_http/contacts-page';
import { OPERATIONS } from '@/app/_http/operations';
import { requireUser } from '@/app/_http/page';
import { checked } from '@/app/_http/route';
import { seedsOf } from '@/app/_http/seeds';
import { listUsers, readPreferences } from '@/server/accounts';
import { listSegments, readOffered } from '@/server/segments';
import { listTags } from '@/server/tags';
import {
  askedOf,
  ContactsArea,
  FIRST_ORDER,
  FIRST_PAGE,
  keyOfList,
  ListSkeleton,
  orderedQuestion,
  PAGE_ROWS,
  questionOf,
} from '@/ui/contacts';

export const metadata: Metadata = { title: 'Contacts' };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function Page({ searchParams }: Props) {
  const { user, scope } = await requireUser('contacts');
  const params = new URLSearchParams(
    Object.entries(await searchParams).flatMap(([name, value]) => (typeof value === 'string' ? [[name, value]] : [])),
  );
  return (
    <Suspense fallback={<ListSkeleton />}>
      <Prepared user={user} scope={scope} params={params} />
    </Suspense>
  );
}

async function Prepared({ user, scope, params }: { user: User; scope: Scope; params: URLSearchParams }) {
  const preferences = await readPreferences(user.id);
  const { sort, descending } = { ...FIRST_ORDER, ...(preferences.contacts_grid as Partial<typeof FIRST_ORDER> | undefined) };
  const asked = orderedQuestion(questionOf(askedOf(params)), sort, descending);
  const [users, seeds] = await Promise.all([
    listUsers(scope),
    seedsOf([
      [['preferences'], Promise.resolve(preferences)],
      [['vocabulary'], readOffered(scope)],
      [['segments'], listSegments(scope)],
      [['tags'], listTags(scope)],
      [keyOfList(asked), firstPage(scope, asked)],
    ]),
  ]);
  return (
    <HydrationBoundary state={seeds}>
      <ContactsArea
        readOnly={user.role === 'lender'}
        office={runsTheOffice(user.role)}
        users={users.map(({ id, name }) => ({ id, name }))}
      />
    </HydrationBoundary>
  );
}

/** The first page of a list, as the page keeps it. */
async function firstPage(scope: Scope, asked: Record<string, string>) {
  const query = checked(OPERATIONS.listContacts.query, { ...asked, limit: String(PAGE_ROWS) }, true) as ListQuery;
  const { page, counted } = await readContactsPage(scope, query);
  return { pages: [{ items: page.items, next_cursor: page.next, ...counted }], pageParams: [FIRST_PAGE] };
}
