'use client';
/** Under my own initials: Setup, days off, light or dark, the privacy mask, alerts, formats, shortcuts, log out. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { DAY, initialsOf } from '@/core/shared';
import { runsTheOffice, type Role } from '@/core/accounts';
import { ask, useNow } from '../primitives';
import { switchMask, switchScheme } from '../theme';
import { ChoiceMenu, Kbd, useToast, WireButton, type MenuChoice } from '../kit';
import type { WireDoors } from './wire-areas';

type Me = { id: string; name: string; role: Role };

/** What a person can choose for themselves, in the menu and on a phone. */
export function useOwnChoices(me: Me, { onHelp, onFormats, onAlerts, onLogin, onProfile, onTimeOff }: WireDoors): MenuChoice[] {
  const router = useRouter();
  const toast = useToast();
  const now = useNow();
  const away = async (until: Date | null) => {
    try {
      await ask('PUT /users/{id}/away', { params: { id: me.id }, body: { until: until?.toISOString() ?? null } });
      toast.tell(until ? 'You’re off until this time tomorrow. Round robin will skip you.' : 'You’re back and getting leads.');
    } catch (error) {
      toast.fail(error);
    }
  };
  const logOut = async () => {
    await fetch('/logout', { method: 'POST' });
    window.location.reload();
  };
  const works = me.role !== 'lender';
  return [
    ...(runsTheOffice(me.role) ? [{ key: 'setup', name: 'Setup', onChoose: () => router.push('/setup') }] : []),
    ...(works
      ? [
          { key: 'off', name: 'Day off', onChoose: () => void away(new Date(now.getTime() + DAY)) },
          { key: 'time-off', name: 'Time off…', onChoose: onTimeOff },
          { key: 'back', name: 'Back from day off', onChoose: () => void away(null) },
          { key: 'alerts', name: 'Lead alerts', apart: true, onChoose: onAlerts },
        ]
      : []),
    { key: 'formats', name: 'Date and number formats', onChoose: onFormats },
    { key: 'scheme', name: 'Light or dark', onChoose: switchScheme },
    {
      key: 'mask',
      name: (
        <>
          Privacy mask <Kbd>Shift M</Kbd>
        </>
      ),
      onChoose: () =>
        toast.tell(switchMask() ? 'Phone numbers and emails are blurred.' : 'Phone numbers and emails are visible.'),
    },
    {
      key: 'help',
      name: (
        <>
          Shortcuts <Kbd>?</Kbd>
        </>
      ),
      onChoose: onHelp,
    },
    { key: 'profile', name: 'Profile', apart: true, onChoose: onProfile },
    { key: 'login', name: 'Login and security', onChoose: onLogin },
    { key: 'out', name: 'Log out', onChoose: () => void logOut() },
  ];
}

export function Myself({ me, ...doors }: { me: Me } & WireDoors) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const choices = useOwnChoices(me, doors);
  return (
    <>
      <WireButton
        className="who"
        aria-haspopup="menu"
        aria-label={`${me.name}: setup, days off, log out`}
        title={me.name}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {initialsOf(me.name)}
      </WireButton>
      <ChoiceMenu anchor={anchor} head={me.name} choices={choices} onClose={() => setAnchor(null)} />
    </>
  );
}
