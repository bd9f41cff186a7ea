'use client';
/** Under my own initials: Setup, away, light or dark, the privacy mask, shortcuts, log out. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { DAY } from '@/core/shared';
import { runsTheOffice, type Role } from '@/core/accounts';
import { ask, useNow } from '../primitives';
import { switchMask, switchScheme } from '../theme';
import { BareButton, useToast } from '../kit';

export function Myself({
  me,
  onHelp,
  onFormats,
}: {
  me: { id: string; name: string; role: Role };
  onHelp: () => void;
  onFormats: () => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const router = useRouter();
  const toast = useToast();
  const now = useNow();
  const initials = me.name
    .split(' ')
    .map((word) => word[0])
    .join('')
    .slice(0, 2);
  const then = (act: () => void) => () => {
    setAnchor(null);
    act();
  };
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
  return (
    <>
      <BareButton
        className="who"
        aria-haspopup="menu"
        aria-label={`${me.name}: setup, away, log out`}
        title={me.name}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {initials}
      </BareButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem disabled sx={{ opacity: '1 !important', fontWeight: 600 }}>
          {me.name}
        </MenuItem>
        {runsTheOffice(me.role) && <MenuItem onClick={then(() => router.push('/setup'))}>Setup</MenuItem>}
        {me.role !== 'lender' && <MenuItem onClick={then(() => void away(new Date(now.getTime() + DAY)))}>Day off</MenuItem>}
        {me.role !== 'lender' && <MenuItem onClick={then(() => void away(null))}>Back from day off</MenuItem>}
        <Divider />
        <MenuItem onClick={then(switchScheme)}>Light or dark</MenuItem>
        <MenuItem
          onClick={then(() =>
            toast.tell(switchMask() ? 'Phone numbers and addresses are blurred.' : 'Phone numbers and addresses are visible.'),
          )}
        >
          Privacy mask (Shift+M)
        </MenuItem>
        <MenuItem onClick={then(onFormats)}>Date and number formats</MenuItem>
        <MenuItem onClick={then(onHelp)}>Shortcuts (?)</MenuItem>
        <Divider />
        <MenuItem onClick={then(() => void logOut())}>Log out</MenuItem>
      </Menu>
    </>
  );
}
