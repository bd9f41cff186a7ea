'use client';
/** A control under its label, with what is wrong or what helps below it; screen readers hear all three together. */
import { useId, type ReactNode } from 'react';
import { Row, Stack, Text } from './layout';

/** What a control takes so that its label and its error belong to it. */
export interface ControlProps {
  id: string;
  'aria-invalid': boolean;
  'aria-describedby': string | undefined;
}

export function Field({
  label,
  error,
  help,
  beside = false,
  children,
}: {
  label: ReactNode;
  error?: string;
  help?: ReactNode;
  /** The label stands before its control, as in a sentence. */
  beside?: boolean;
  children: (control: ControlProps) => ReactNode;
}) {
  const id = useId();
  const below = `${id}-below`;
  const control = children({ id, 'aria-invalid': error !== undefined, 'aria-describedby': error || help ? below : undefined });
  return (
    <Stack gap={1}>
      {beside ? (
        <Row>
          <label htmlFor={id}>{label}</label>
          {control}
        </Row>
      ) : (
        <>
          <Text as="label" htmlFor={id} small strong>
            {label}
          </Text>
          {control}
        </>
      )}
      {error ? (
        <Text id={below} tone="late" small role="alert">
          {error}
        </Text>
      ) : (
        help && (
          <Text id={below} tone="soft" small>
            {help}
          </Text>
        )
      )}
    </Stack>
  );
}
