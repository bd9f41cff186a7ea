/** Everything behind the login stands under the Wire, whose numbers may come after it. */
import type { ReactNode } from 'react';
import { fullName } from '@/core/accounts';
import { jsoned, requireUser } from '@/app/_http/page';
import { readFormat } from '@/server/accounts';
import { readWire, readWireFrame } from '@/server/today';
import { Shell } from '@/ui/shell';

/** So long the page waits for the numbers of the Wire, which are there by then in all but the largest accounts. */
const NUMBERS_WITHIN_MS = 60;
const soon = () => new Promise<null>((resolve) => setTimeout(() => resolve(null), NUMBERS_WITHIN_MS).unref());

export default async function AppLayout({ children }: { children: ReactNode }) {
  const { user, scope } = await requireUser();
  /* Without its numbers the page stands all the same, and asks for them itself. */
  const numbers = readWire(scope, user).then(jsoned, () => null);
  const [frame, format, wire] = await Promise.all([readWireFrame(), readFormat(user), Promise.race([numbers, soon()])]);
  return (
    <Shell
      me={{ id: user.id, name: fullName(user), role: user.role, rights: user.rights, zone: user.timeZone }}
      frame={jsoned(frame)}
      wire={wire ?? numbers}
      format={format}
    >
      {children}
    </Shell>
  );
}
