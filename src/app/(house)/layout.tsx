/** Everything behind the login stands under the Wire. */
import type { ReactNode } from 'react';
import { fullName } from '@/core/accounts';
import { jsoned, requirePerson } from '@/app/_http/page';
import { readWire } from '@/server/today';
import { Shell } from '@/ui/shell';

export default async function House({ children }: { children: ReactNode }) {
  const { person, scope } = await requirePerson();
  const wire = jsoned(await readWire(scope, person));
  return (
    <Shell me={{ id: person.id, name: fullName(person), role: person.role, zone: person.timeZone }} wire={wire}>
      {children}
    </Shell>
  );
}
