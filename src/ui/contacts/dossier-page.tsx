'use client';
/** The Dossier as a page of its own; Esc goes back to where one came from. */
import { useRouter } from 'next/navigation';
import { Stack } from '../kit';
import { Dossier } from './dossier';

export function DossierPage({ contactId, readOnly }: { contactId: string; readOnly: boolean }) {
  const router = useRouter();
  return (
    <Stack width={1180} center>
      <Dossier contactId={contactId} readOnly={readOnly} page onClose={() => router.back()} />
    </Stack>
  );
}
