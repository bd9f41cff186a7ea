'use client';
/** The frame of every page behind the login: providers, the Wire, dialogs, the keys that work everywhere. */
import { useCallback, useState, type ReactNode } from 'react';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { areasFor, type Role } from '@/core/accounts';
import { ChangeWatchProvider } from '../changes';
import { ask, ClockProvider, FormatProvider, useShortcuts } from '../primitives';
import type { FormatChoice } from '@/core/format';
import { OffersAbove, type MyOffer } from '../routing';
import { switchMask } from '../theme';
import { useLeadAlert } from './alerts';
import { useGo } from './go';
import { useLive } from './live';
import { SearchDialog } from './search';
import { WireLine } from './wire';
import type { Wire } from './wire-areas';
import { Page, SkipLink, ToastProvider, useToast } from '../kit';

/* What opens by a key comes when it is asked for, and not with the first page. */
const AddLeadDialog = dynamic(() => import('../capture').then((one) => one.AddLeadDialog), { ssr: false });
const AlertsDialog = dynamic(() => import('./alerts-dialog').then((one) => one.AlertsDialog), { ssr: false });
const FormatsDialog = dynamic(() => import('./formats-dialog').then((one) => one.FormatsDialog), { ssr: false });
const HelpDialog = dynamic(() => import('./help').then((one) => one.HelpDialog), { ssr: false });

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
  const [dialog, setDialog] = useState<'search' | 'add' | 'help' | 'formats' | 'alerts' | null>(null);
  const router = useRouter();
  const toast = useToast();
  useLive();
  const alert = useLeadAlert();
  const tellOffer = useCallback(
    (offer: MyOffer) =>
      alert({
        title: `Lead offered: ${offer.name ?? 'take it to see the name'}`,
        body: [offer.place, offer.ask].filter(Boolean).join(' · '),
        tag: `offer ${offer.id}`,
        onOpen: () => router.push('/routing'),
      }),
    [alert, router],
  );
  const go = Object.fromEntries(areasFor(me.role).map((area) => [area.letter, area.path]));
  useShortcuts('page', {
    search: () => setDialog('search'),
    help: () => setDialog('help'),
    add: () => me.role !== 'lender' && setDialog('add'),
    mask: () =>
      toast.tell(switchMask() ? 'Phone numbers and addresses are blurred.' : 'Phone numbers and addresses are visible.'),
  });
  useGo(go, (path) => router.push(path));
  const close = () => setDialog(null);
  return (
    <ClockProvider now={wire.clock.now} held={wire.clock.held} zone={me.zone}>
      <SkipLink href="#main">Skip to content</SkipLink>
      <WireLine
        wire={wire}
        me={me}
        onSearch={() => setDialog('search')}
        onAdd={() => setDialog('add')}
        onHelp={() => setDialog('help')}
        onFormats={() => setDialog('formats')}
        onAlerts={() => setDialog('alerts')}
      />
      <Page id="main">{children}</Page>
      {me.role !== 'lender' && <OffersAbove onOffered={tellOffer} />}
      {dialog === 'search' && <SearchDialog onClose={close} role={me.role} />}
      {dialog === 'add' && <AddLeadDialog onClose={close} />}
      {dialog === 'alerts' && <AlertsDialog onClose={close} />}
      {dialog === 'help' && <HelpDialog onClose={close} />}
      {dialog === 'formats' && <FormatsDialog formats={formats} onClose={close} onSaved={onFormats} />}
    </ClockProvider>
  );
}
