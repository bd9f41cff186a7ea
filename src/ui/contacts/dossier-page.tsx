'use client';
/** The Dossier as a page of its own; Esc goes back to where one came from. */
import { useRouter } from 'next/navigation';
import { Dossier } from './dossier';

export function DossierPage({ contactId, readOnly }: { contactId: string; readOnly: boolean }) {
  const router = useRouter();
  return (
    <div style={{ maxWidth: 1080, margin: '0 auto' }}>
      <Dossier contactId={contactId} readOnly={readOnly} onClose={() => router.back()} />
    </div>
  );
}
