'use client';
/** Lead sources, doors and senders as Setup shows them, one below the other. */
import { useQuery } from '@tanstack/react-query';
import { ask } from '../primitives';
import { Skeleton } from '../kit';
import { Doors } from './doors';
import { Senders } from './senders';
import { Sources } from './sources';

export function DoorsSetup() {
  const { data: doors } = useQuery({ queryKey: ['doors'], queryFn: async () => (await ask('GET /doors')).items });
  return (
    <>
      <Sources />
      {doors ? <Doors doors={doors} office /> : <Skeleton lines={6} label="Loading doors" />}
      <Senders />
    </>
  );
}
