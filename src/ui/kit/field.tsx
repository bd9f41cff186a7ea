'use client';
/** A control under its label, with what is wrong or what helps below it; screen readers hear all three together. */
import { useId, type ReactNode } from 'react';
import { Stack, Text } from './layout';

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
  children,
}: {
  label: ReactNode;
  error?: string;
  help?: ReactNode;
  children: (control: ControlProps) => ReactNode;
}) {
  const id = useId();
  const below = `${id}-below`;
  return (
    <Stack gap={1}>
      <Text as="label" htmlFor={id} small strong>
        {label}
      </Text>
      {children({ id, 'aria-invalid': error !== undefined, 'aria-describedby': error || help ? below : undefined })}
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
