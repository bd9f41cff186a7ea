'use client';
/** The states that the brokerage is licensed in. */
import { useState } from 'react';
import { useMutation } from '@tanstack/react-query';
import { StatesField } from '../accounts';
import { ask } from '../primitives';
import { useToast } from '../kit';
import { Block } from './block';

export function StatesSetting({ first }: { first: readonly string[] }) {
  const toast = useToast();
  const [states, setStates] = useState(first);
  const save = useMutation({
    mutationFn: (next: string[]) => ask('PATCH /settings', { body: { states: next } }),
    onSuccess: () => toast.tell('Saved.'),
    onError: (error) => {
      setStates(first);
      toast.fail(error);
    },
  });
  return (
    <Block title="States" note="Where your brokerage is licensed.">
      <StatesField
        label="Licensed in"
        chosen={states}
        onChange={(next) => {
          setStates(next);
          save.mutate(next);
        }}
      />
    </Block>
  );
}
