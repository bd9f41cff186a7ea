/** Everything behind the login stands under the Wire. */
import type { ReactNode } from 'react';
import { fullName } from '@/core/accounts';
import { jsoned, requireUser } from '@/app/_http/page';
import { readFormat } from '@/server/accounts';
import { readWire } from '@/server/today';
import { Shell } from '@/ui/shell';

export default async function AppLayout({ children }: { children: ReactNode }) {
  const { user, scope } = await requireUser();
  const [wire, format] = await Promise.all([readWire(scope, user).then(jsoned), readFormat(user)]);
  return (
    <Shell me={{ id: user.id, name: fullName(user), role: user.role, zone: user.timeZone }} wire={wire} format={format}>
      {children}
    </Shell>
  );
}
