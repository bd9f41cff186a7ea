'use client';
/** The clock on the Wire. Where time is simulated it is a button: five minutes, an hour, a day, or to the next event. */
import { useState } from 'react';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { dayAndTime } from '@/core/shared';
import { ask, useNow, useZone } from '../primitives';
import { BareButton, useToast } from '../kit';

const STEPS: { name: string; body: object }[] = [
  { name: 'To the next event', body: { next: true } },
  { name: 'Five minutes on', body: { by: 'PT5M' } },
  { name: 'An hour on', body: { by: 'PT1H' } },
  { name: 'A day on', body: { by: 'P1D' } },
];

export function ClockMenu({ simulated, held }: { simulated: boolean; held: boolean }) {
  const now = useNow();
  const zone = useZone();
  const toast = useToast();
  const queries = useQueryClient();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const advance = useMutation({
    mutationFn: (body: object) => ask('POST /simulation/advance', { body }),
    onSuccess: ({ instants }) => {
      void queries.invalidateQueries();
      toast.tell(
        instants === 0
          ? 'Time has passed; nothing was due.'
          : instants === 1
            ? 'Time has passed; something happened at one moment.'
            : `Time has passed; something happened at ${instants.toLocaleString('en-US')} moments.`,
      );
    },
    onError: toast.fail,
  });
  const text = dayAndTime(now, zone);
  if (!simulated)
    return (
      <span className="clock plain wide" suppressHydrationWarning>
        {text}
      </span>
    );
  const moving = advance.isPending || held;
  return (
    <>
      <BareButton
        className="clock"
        aria-haspopup="menu"
        aria-label={`Simulated time ${text}. Let time pass`}
        title="Simulated time: let it pass"
        onClick={(event) => setAnchor(event.currentTarget)}
        disabled={moving}
        aria-busy={moving}
        suppressHydrationWarning
      >
        {text}
        {moving ? ' …' : ''}
      </BareButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {STEPS.map((step) => (
          <MenuItem
            key={step.name}
            onClick={() => {
              setAnchor(null);
              advance.mutate(step.body);
            }}
          >
            {step.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
