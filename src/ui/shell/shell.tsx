'use client';
/** The frame of every page behind the login: providers, the Wire, dialogs, the keys that work everywhere. */
import { Suspense, use, useCallback, useEffect, useState, type ReactNode } from 'react';
import { useRouter } from 'next/navigation';
import { QueryClient, QueryClientProvider, useQuery, useQueryClient } from '@tanstack/react-query';
import { areasFor, type ChosenRight, type Role } from '@/core/accounts';
import { ChangeWatchProvider } from '../changes';
import {
  ask,
  CallingProvider,
  ClockProvider,
  draftsOf,
  FormatProvider,
  KeysAhead,
  lazily,
  useLoadTheRest,
  usePasswordAsked,
  useShortcuts,
} from '../primitives';
import type { FormatChoice } from '@/core/format';
import { OffersAbove, type MyOffer } from '../routing';
import { switchMask } from '../theme';
import { useLeadAlert } from './alerts';
import { useGo } from './go';
import { useLive } from './live';
import { SearchDialog } from './search-dialog';
import { WireLine } from './wire';
import type { Wire, WireStand } from './wire-areas';
import { Page, SkipLink, ToastProvider, undoLatest, useToast } from '../kit';

/* What opens by a key comes when it is asked for, and not with the first page. */
const AddLeadDialog = lazily(
  () => import('../capture').then((one) => one.AddLeadDialog),
  () => <KeysAhead />,
);
const AlertsDialog = lazily(() => import('./alerts-dialog').then((one) => one.AlertsDialog));
const FormatsDialog = lazily(() => import('./formats-dialog').then((one) => one.FormatsDialog));
const LoginDialog = lazily(() => import('../accounts').then((one) => one.LoginDialog));
const ProfileDialog = lazily(() => import('../accounts').then((one) => one.ProfileDialog));
const TimeOffDialog = lazily(() => import('./time-off-dialog').then((one) => one.TimeOffDialog));
const PasswordDialog = lazily(() => import('../accounts').then((one) => one.PasswordDialog));
const HelpDialog = lazily(() => import('./help').then((one) => one.HelpDialog));

export interface Me {
  id: string;
  name: string;
  role: Role;
  /** Of a role of the brokerage's own. */
  rights?: readonly ChosenRight[];
  zone: string;
}

export function Shell({
  me,
  frame,
  wire,
  format,
  children,
}: {
  me: Me;
  frame: WireStand;
  /** The numbers of the Wire, or that they are on their way; null when they could not be counted. */
  wire: Wire | Promise<Wire | null>;
  format: FormatChoice;
  children: ReactNode;
}) {
  /* What one chose since the page was opened; else as it came with the page, which is read anew when the account's are changed. */
  const [chosen, setChosen] = useState<FormatChoice | null>(null);
  const formats = chosen ?? format;
  /* Before anything below reads a draft. */
  useState(() => draftsOf(me.id));
  const [queries] = useState(
    () => new QueryClient({ defaultOptions: { queries: { staleTime: 15_000, retry: 1, refetchOnWindowFocus: false } } }),
  );
  return (
    <QueryClientProvider client={queries}>
      <FormatProvider choice={formats}>
        <ToastProvider>
          <ChangeWatchProvider>
            <Frame me={me} frame={frame} first={isComing(wire) ? null : wire} formats={formats} onFormats={setChosen}>
              {children}
            </Frame>
            {isComing(wire) && (
              <Suspense fallback={null}>
                <Numbers wire={wire} />
              </Suspense>
            )}
          </ChangeWatchProvider>
        </ToastProvider>
      </FormatProvider>
    </QueryClientProvider>
  );
}

const isComing = (wire: Wire | Promise<Wire | null>): wire is Promise<Wire | null> => 'then' in wire;
/** Puts the numbers on the Wire once they are there, or asks for them. */
function Numbers({ wire }: { wire: Promise<Wire | null> }) {
  const numbers = use(wire);
  const queries = useQueryClient();
  useEffect(() => {
    if (numbers) queries.setQueryData(['wire'], (known: Wire | undefined) => known ?? numbers);
    else void queries.prefetchQuery({ queryKey: ['wire'], queryFn: () => ask('GET /wire') });
  }, [queries, numbers]);
  return null;
}

function Frame({
  me,
  frame,
  first,
  formats,
  onFormats,
  children,
}: {
  me: Me;
  frame: WireStand;
  first: Wire | null;
  formats: FormatChoice;
  onFormats: (formats: FormatChoice) => void;
  children: ReactNode;
}) {
  const { data: wire } = useQuery({
    queryKey: ['wire'],
    queryFn: () => ask('GET /wire'),
    initialData: first ?? undefined,
    /* The first are on their way when they are not here. */
    enabled: ({ state }) => state.data !== undefined,
    refetchInterval: 60_000,
  });
  const { clock, calling } = wire ?? frame;
  const [dialog, setDialog] = useState<
    'search' | 'add' | 'help' | 'formats' | 'alerts' | 'login' | 'profile' | 'time-off' | null
  >(null);
  const router = useRouter();
  const toast = useToast();
  useLive();
  useLoadTheRest();
  const endPassword = usePasswordAsked();
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
  const go = Object.fromEntries(areasFor(me).map((area) => [area.letter, area.path]));
  useShortcuts('page', {
    search: () => setDialog('search'),
    help: () => setDialog('help'),
    add: () => me.role !== 'lender' && setDialog('add'),
    undo: () => undoLatest() || toast.tell('Nothing to undo here.'),
    mask: () => toast.tell(switchMask() ? 'Phone numbers and emails are blurred.' : 'Phone numbers and emails are visible.'),
  });
  useGo(go, (path) => router.push(path));
  const close = () => setDialog(null);
  return (
    <ClockProvider now={clock.now} held={clock.held} zone={me.zone}>
      <CallingProvider calling={calling}>
        <SkipLink href="#main">Skip to content</SkipLink>
        <WireLine
          wire={wire ?? null}
          clock={clock}
          me={me}
          onSearch={() => setDialog('search')}
          onAdd={() => setDialog('add')}
          onHelp={() => setDialog('help')}
          onFormats={() => setDialog('formats')}
          onAlerts={() => setDialog('alerts')}
          onLogin={() => setDialog('login')}
          onProfile={() => setDialog('profile')}
          onTimeOff={() => setDialog('time-off')}
        />
        <Page id="main">{children}</Page>
        {me.role !== 'lender' && <OffersAbove onOffered={tellOffer} />}
        {dialog === 'search' && <SearchDialog onClose={close} role={me.role} />}
        {dialog === 'add' && <AddLeadDialog onClose={close} />}
        {dialog === 'alerts' && <AlertsDialog onClose={close} />}
        {endPassword && <PasswordDialog onEnd={endPassword} />}
        {dialog === 'login' && <LoginDialog onClose={close} />}
        {dialog === 'profile' && <ProfileDialog userId={me.id} lender={me.role === 'lender'} onClose={close} />}
        {dialog === 'time-off' && <TimeOffDialog userId={me.id} onClose={close} />}
        {dialog === 'help' && <HelpDialog onClose={close} />}
        {dialog === 'formats' && <FormatsDialog formats={formats} onClose={close} onSaved={onFormats} />}
      </CallingProvider>
    </ClockProvider>
  );
}
