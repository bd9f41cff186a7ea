'use client';
/** Search over whatever page one is on. It takes what is typed from the first key on, also while what finds it is still on its way. */
import { lazy, Suspense, useState } from 'react';
import type { Role } from '@/core/accounts';
import { Dialog, Input } from '../kit';

const SearchBox = lazy(() => import('./search').then((one) => ({ default: one.SearchBox })));

export function SearchDialog({ onClose, role }: { onClose: () => void; role: Role }) {
  const [typed, setTyped] = useState('');
  return (
    <Dialog title="Search" width="sm" top bare onClose={onClose}>
      <Suspense
        fallback={
          <Input
            autoFocus
            width="100%"
            aria-label="Search contacts or go to an area"
            placeholder="Name, email, phone, city, or tag"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        }
      >
        <SearchBox first={typed} onClose={onClose} role={role} />
      </Suspense>
    </Dialog>
  );
}
