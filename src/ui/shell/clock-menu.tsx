'use client';
/** The clock on the Wire. Where time is simulated it is a button: five minutes, an hour, a day, or to the next event. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask, useNow, useZone, useFormat } from '../primitives';
import { ChoiceMenu, Text, useToast, WireButton } from '../kit';

const STEPS: { name: string; body: object }[] = [
  { name: 'To the next event', body: { next: true } },
  { name: '+5 minutes', body: { by: 'PT5M' } },
  { name: '+1 hour', body: { by: 'PT1H' } },
  { name: '+1 day', body: { by: 'P1D' } },
];

export function ClockMenu({ simulated, held }: { simulated: boolean; held: boolean }) {
  const now = useNow();
  const zone = useZone();
  const format = useFormat();
  const toast = useToast();
  const queries = useQueryClient();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const advance = useMutation({
    mutationFn: (body: object) => ask('POST /simulation/advance', { body }),
    onSuccess: ({ instants }) => {
      void queries.invalidateQueries();
      toast.tell(
        instants === 0
          ? 'Time moved ahead. Nothing was due.'
          : instants === 1
            ? 'Time moved ahead. One thing happened.'
            : `Time moved ahead. ${format.number(instants)} things happened.`,
      );
    },
    onError: toast.fail,
  });
  const text = `${format.shortDay(now, zone)}, ${format.time(now, zone)}`;
  if (!simulated)
    return (
      <Text className="wide" tone="soft" suppressHydrationWarning>
        {text}
      </Text>
    );
  const moving = advance.isPending || held;
  return (
    <>
      <WireButton
        className="clock"
        aria-haspopup="menu"
        aria-label={`Simulated time ${text}. Move time ahead`}
        title="Simulated time: move it ahead"
        onClick={(event) => setAnchor(event.currentTarget)}
        disabled={moving}
        aria-busy={moving}
        suppressHydrationWarning
      >
        {text}
        {moving ? '…' : ''}
      </WireButton>
      <ChoiceMenu
        anchor={anchor}
        choices={STEPS.map(({ name, body }) => ({ key: name, name, onChoose: () => advance.mutate(body) }))}
        onClose={() => setAnchor(null)}
      />
    </>
  );
}
