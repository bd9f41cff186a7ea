'use client';
/** Which roles must log in with a second step. */
import { useState } from 'react';
import { useMutation } from '@tanstack/react-query';
import { ROLES } from '@/core/accounts';
import { capitalized } from '@/core/shared';
import { ask } from '../primitives';
import { Checkbox, Row, useToast } from '../kit';
import { Block } from './block';

export function TwoStepRoles({ first }: { first: readonly string[] }) {
  const toast = useToast();
  const [roles, setRoles] = useState(first);
  const save = useMutation({
    mutationFn: (next: string[]) => ask('PATCH /settings', { body: { second_step_roles: next } }),
    onSuccess: () => toast.tell('Saved. Whoever hasn’t set it up is asked to right away.'),
    onError: (error) => {
      setRoles(first);
      toast.fail(error);
    },
  });
  return (
    <Block
      title="Two-step login"
      note="These roles log in with a code from their phone or a passkey. Everyone else can turn it on for themselves."
    >
      <Row>
        {ROLES.map((role) => (
          <Checkbox
            key={role}
            checked={roles.includes(role)}
            onChange={({ target }) => {
              const next = ROLES.filter((one) => (one === role ? target.checked : roles.includes(one)));
              setRoles(next);
              save.mutate(next);
            }}
          >
            {capitalized(role)}
          </Checkbox>
        ))}
      </Row>
    </Block>
  );
}
