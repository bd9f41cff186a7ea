'use client';
/** A field of a form before the login: one line of text, with what is wrong under it. */
import { Field, Input } from '../kit';
import type { ActionState } from './action-state';

export function PlainField({
  state,
  name,
  label,
  ...input
}: { state: ActionState; name: string; label: string; help?: string } & Omit<
  React.ComponentProps<'input'>,
  'color' | 'size' | 'ref'
>) {
  const { help, ...control } = input;
  return (
    <Field label={label} error={state.errors[name]} help={help}>
      {(own) => <Input {...own} {...control} name={name} defaultValue={state.typed[name] ?? ''} key={state.typed[name]} />}
    </Field>
  );
}
