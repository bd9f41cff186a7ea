'use client';
/** The frame of every page behind the login: providers, the Wire, dialogs, the keys that work everywhere. */
import { useState, type ReactNode } from 'react';
import { useRouter } from 'next/navigation';
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { areasFor, type Role } from '@/core/accounts';
import { AddLeadDialog } from '../capture';
import { ChangeWatchProvider } from '../changes';
import { ask, ClockProvider, FormatProvider, useKeys } from '../primitives';
import type { FormatChoice } from '@/core/format';
import { FormatsDialog } from './formats-dialog';
import { OffersAbove } from '../routing';
import { switchMask } from '../theme';
import { useGo } from './go';
import { HelpDialog } from './help';
import { useLive } from './live';
import { SearchDialog } from './search';
import { WireLine, type Wire } from './wire';
import { ToastProvider, useToast } from '../kit';

export interface Me {
  id: string;
  name: string;
  role: Role;
  zone: string;
}

export function Shell({ me, wire, format, children }: { me: Me; wire: Wire; format: FormatChoice; children: ReactNode }) {
  const [formats, setFormats] = useState(format);
  const [queries] = useState(
    () => new QueryClient({ defaultOptions: { queries: { staleTime: 15_000, retry: 1, refetchOnWindowFocus: false } } }),
  );
  return (
    <QueryClientProvider client={queries}>
      <FormatProvider choice={formats}>
        <ToastProvider>
          <ChangeWatchProvider>
            <Frame me={me} first={wire} formats={formats} onFormats={setFormats}>
              {children}
            </Frame>
          </ChangeWatchProvider>
        </ToastProvider>
      </FormatProvider>
    </QueryClientProvider>
  );
}

function Frame({
  me,
  first,
  formats,
  onFormats,
  children,
}: {
  me: Me;
  first: Wire;
  formats: FormatChoice;
  onFormats: (formats: FormatChoice) => void;
  children: ReactNode;
}) {
  const { data: wire } = useQuery({
    queryKey: ['wire'],
    queryFn: () => ask('GET /wire'),
    initialData: first,
    refetchInterval: 60_000,
  });
  const [dialog, setDialog] = useState<'search' | 'add' | 'help' | 'formats' | null>(null);
  const router = useRouter();
  const toast = useToast();
  useLive();
  const go = Object.fromEntries(areasFor(me.role).map((area) => [area.letter, area.path]));
  useKeys({
    '/': () => setDialog('search'),
    '?': () => setDialog('help'),
    n: () => me.role !== 'lender' && setDialog('add'),
    'shift+M': () =>
      toast.tell(switchMask() ? 'Phone numbers and addresses are blurred.' : 'Phone numbers and addresses are visible.'),
  });
  useGo(go, (path) => router.push(path));
  const close = () => setDialog(null);
  return (
    <ClockProvider now={wire.clock.now} held={wire.clock.held} zone={me.zone}>
      <a href="#main" className="skip">
        Skip to content
      </a>
      <WireLine
        wire={wire}
        me={me}
        onSearch={() => setDialog('search')}
        onAdd={() => setDialog('add')}
        onHelp={() => setDialog('help')}
        onFormats={() => setDialog('formats')}
      />
      <main id="main">{children}</main>
      {me.role !== 'lender' && <OffersAbove />}
      <SearchDialog open={dialog === 'search'} onClose={close} role={me.role} />
      <AddLeadDialog open={dialog === 'add'} onClose={close} />
      <HelpDialog open={dialog === 'help'} onClose={close} />
      <FormatsDialog open={dialog === 'formats'} formats={formats} onClose={close} onSaved={onFormats} />
    </ClockProvider>
  );
}
