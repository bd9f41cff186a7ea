'use client';
/** The lender of a contact: seen by everybody, chosen and changed by whoever works with them; each new one is told. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from '../primitives';
import { MenuButton, Section, Text, useToast } from '../kit';
import type { ContactInFull } from './types';

export function Lenders({ contact, readOnly }: { contact: ContactInFull; readOnly: boolean }) {
  const queries = useQueryClient();
  const toast = useToast();
  const { data: users = [] } = useQuery({
    queryKey: ['users'],
    queryFn: async () => (await ask('GET /users')).items,
    enabled: !readOnly,
  });
  const set = useMutation({
    mutationFn: (lender_ids: string[]) => ask('PUT /contacts/{id}/lenders', { params: { id: contact.id }, body: { lender_ids } }),
    onSuccess: (_, ids) => {
      void queries.invalidateQueries({ queryKey: ['contact', contact.id] });
      void queries.invalidateQueries({ queryKey: ['timeline', contact.id] });
      const before = contact.lenders.map(({ id }) => id);
      toast.tell(ids.length ? 'Lender set. They’re told right away.' : 'Lender removed.', () => set.mutate(before));
    },
    onError: toast.fail,
  });
  const lenders = users.filter(({ role }) => role === 'lender');
  if (!lenders.length && !contact.lenders.length) return null;
  return (
    <Section
      title="Lender"
      end={
        !readOnly && (
          <MenuButton
            size="tiny"
            disabled={set.isPending}
            aria-label="Choose a lender"
            choices={[
              ...lenders.map(({ id, name }) => ({
                key: id,
                name,
                chosen: contact.lenders.some((one) => one.id === id),
                onChoose: () => set.mutate([id]),
              })),
              { key: 'none', name: 'No lender', apart: true, disabled: !contact.lenders.length, onChoose: () => set.mutate([]) },
            ]}
          >
            {contact.lenders.length ? 'Change' : 'Attach a lender'}
          </MenuButton>
        )
      }
    >
      <Text tone={contact.lenders.length ? undefined : 'soft'}>
        {contact.lenders.map(({ name }) => name).join(', ') || 'None.'}
      </Text>
    </Section>
  );
}
