'use client';
/**
 * Forms by react-hook-form: each field under its label with its error, what the server says is wrong put at the field it is about, and what is
 * half-written kept in this browser until it is saved. What is allowed is said once, by the server.
 */
import { useEffect, useRef, type FormEvent, type ReactNode } from 'react';
import {
  FormProvider,
  useController,
  useForm,
  useFormContext,
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  type UseFormReturn,
} from 'react-hook-form';
import { useMutation } from '@tanstack/react-query';
import { Problem } from '../primitives/api';
import { readDraft, writeDraft } from '../primitives/draft';
import { Button } from './button';
import { Checkbox, CheckboxGroup, Radio, type CheckboxOption } from './choice';
import { DateField } from './date-field';
import { Dialog, type DialogProps } from './dialog';
import { ErrorMessage } from './error-message';
import { Field } from './field';
import { Input, Textarea } from './input';
import { Row } from './layout';
import { MoneyField, NumberField, PhoneField } from './money-field';
import { Select } from './select';

const SAVE_AFTER_MS = 300;
/** What was saved stays out of a draft, where it would undo what others changed meanwhile: only what differs is half-written. */
function halfWritten(now: object, first: object): string {
  const saved = new Map(Object.entries(first).map(([name, value]) => [name, JSON.stringify(value)]));
  const differs = Object.entries(now).filter(([name, value]) => JSON.stringify(value) !== saved.get(name));
  return differs.length ? JSON.stringify(Object.fromEntries(differs)) : '';
}

export interface SaveForm<Values extends FieldValues> {
  form: UseFormReturn<Values>;
  submit: (event?: FormEvent) => void;
  busy: boolean;
  /** Something typed would be lost. */
  dirty: boolean;
  /** What is wrong with the whole of it: nothing while a field says it. */
  error: unknown;
  /** Forgets what is half-written. */
  discard: () => void;
}

/**
 * @param values as they are now
 * @param save sends them; a Problem with fields is shown at those
 * @param fieldOf the field of this form that a field of the server is about; without it the one of the same name, or of its last part
 * @param draft under which name what is half-written is kept
 */
export function useSaveForm<Values extends FieldValues, Answer>({
  values,
  save,
  onSaved,
  fieldOf,
  draft,
}: {
  values: Values;
  save: (values: Values) => Promise<Answer>;
  onSaved: (answer: Answer) => void;
  fieldOf?: (field: string) => string | undefined;
  draft?: string;
}): SaveForm<Values> {
  const kept = draft ? readDraft(draft) : '';
  const form = useForm<Values>({ defaultValues: values as DefaultValues<Values> });
  const { watch } = form;
  const { isDirty } = form.formState;
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    if (!kept) return;
    for (const [name, value] of Object.entries(JSON.parse(kept) as Partial<Values>))
      form.setValue(name as FieldPath<Values>, value as never, { shouldDirty: true });
    /* Once, when the form opens. */
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  useEffect(() => {
    if (!draft) return;
    const { unsubscribe } = watch((now) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => writeDraft(draft, halfWritten(now, form.formState.defaultValues ?? {})), SAVE_AFTER_MS);
    });
    return () => {
      unsubscribe();
      clearTimeout(timer.current);
    };
  }, [draft, watch, form]);
  const discard = () => {
    clearTimeout(timer.current);
    if (draft) writeDraft(draft, '');
  };
  const sending = useMutation({
    mutationFn: save,
    onSuccess: (answer) => {
      form.reset(values);
      discard();
      onSaved(answer);
    },
    onError: (error) => {
      for (const { field, message } of error instanceof Problem ? error.fields : []) {
        const name = fieldOf?.(field) ?? nameIn(form.getValues(), field);
        if (name) form.setError(name as FieldPath<Values>, { message: sentence(message) }, { shouldFocus: true });
      }
    },
  });
  /* Its fields are read before it is sent: a second Enter meanwhile is not a second saving. */
  const under = useRef(false);
  const send = form.handleSubmit((filled) => sending.mutateAsync(filled).catch(() => {}));
  const placed =
    sending.error instanceof Problem &&
    sending.error.fields.length > 0 &&
    sending.error.fields.every(({ field }) => fieldOf?.(field) ?? nameIn(form.getValues(), field));
  return {
    form,
    submit: (event) => {
      event?.preventDefault();
      if (under.current) return;
      under.current = true;
      void send(event).finally(() => (under.current = false));
    },
    busy: sending.isPending,
    dirty: isDirty,
    error: placed ? null : sending.error,
    discard,
  };
}
const nameIn = (values: FieldValues, field: string): string | undefined =>
  [field, field.split('.').at(-1)!, field.split('.')[0]!].find((name) => name in values);
const sentence = (message: string): string => message.charAt(0).toUpperCase() + message.slice(1);

/** The fields of a form; Enter in one of them saves. */
export const FormFields = <Values extends FieldValues>({ of, children }: { of: SaveForm<Values>; children: ReactNode }) => (
  <FormProvider {...of.form}>{children}</FormProvider>
);

/** A dialog that is a form: it ends with Save, and closing it throws what was typed away only after a question. */
export const FormDialog = <Values extends FieldValues>({
  form,
  children,
  ...dialog
}: { form: SaveForm<Values> } & Omit<DialogProps, 'onSubmit' | 'busy' | 'dirty' | 'onDiscard'>) => (
  <Dialog
    {...dialog}
    onSubmit={form.submit}
    busy={form.busy}
    dirty={form.dirty}
    error={form.error ?? dialog.error}
    onDiscard={form.discard}
  >
    <FormFields of={form}>{children}</FormFields>
  </Dialog>
);

/** A form that stands on its page: its fields in a line, ended by what it does; empty again once it is saved. */
export const InlineForm = <Values extends FieldValues>({
  form,
  does,
  may = true,
  children,
}: {
  form: SaveForm<Values>;
  does: string;
  may?: boolean;
  children: ReactNode;
}) => (
  <form onSubmit={form.submit} noValidate>
    <FormFields of={form}>
      <Row above={3} align="end" gap={3}>
        {children}
        <Button type="submit" disabled={!may || form.busy}>
          {does}
        </Button>
      </Row>
    </FormFields>
    <ErrorMessage error={form.error} />
  </form>
);

interface FieldProps {
  name: string;
  label: string;
  help?: ReactNode;
  disabled?: boolean;
}
const useField = (name: string, validate?: () => true | string) => {
  const { control } = useFormContext();
  const {
    field,
    fieldState: { error },
  } = useController({ name, control, rules: validate && { validate } });
  const { ref, onChange, onBlur } = field;
  return { control: { ref, onBlur }, value: field.value as unknown, onChange, error: error?.message };
};

export function TextFormField({
  name,
  label,
  help,
  autoFocus,
  required,
  maxLength,
  placeholder,
  inputMode,
  autoComplete = 'off',
  disabled,
  type,
}: FieldProps & {
  autoFocus?: boolean;
  required?: boolean;
  maxLength?: number;
  placeholder?: string;
  inputMode?: 'text' | 'email' | 'tel' | 'url' | 'numeric';
  autoComplete?: string;
  /** What is typed is not shown. */
  type?: 'text' | 'password';
}) {
  const { control, value, onChange, error } = useField(name);
  return (
    <Field label={label} error={error} help={help}>
      {(own) => (
        <Input
          type={type}
          {...own}
          {...control}
          autoFocus={autoFocus}
          aria-required={required}
          maxLength={maxLength}
          placeholder={placeholder}
          inputMode={inputMode}
          autoComplete={autoComplete}
          disabled={disabled}
          value={(value as string) ?? ''}
          onChange={onChange}
        />
      )}
    </Field>
  );
}

export function TextareaFormField({
  name,
  label,
  help,
  rows,
  autoFocus,
  disabled,
}: FieldProps & { rows?: number; autoFocus?: boolean }) {
  const { control, value, onChange, error } = useField(name);
  return (
    <Field label={label} error={error} help={help}>
      {(own) => (
        <Textarea
          {...own}
          {...control}
          rows={rows}
          autoFocus={autoFocus}
          disabled={disabled}
          value={(value as string) ?? ''}
          onChange={onChange}
        />
      )}
    </Field>
  );
}

export function SelectFormField({
  name,
  label,
  help,
  beside,
  disabled,
  children,
}: FieldProps & { beside?: boolean; children: ReactNode }) {
  const { control, value, onChange, error } = useField(name);
  return (
    <Field label={label} error={error} help={help} beside={beside}>
      {(own) => (
        <Select {...own} {...control} disabled={disabled} value={(value as string) ?? ''} onChange={onChange}>
          {children}
        </Select>
      )}
    </Field>
  );
}

/** One of a few, all in sight. */
export function RadioFormField({
  name,
  label,
  options,
}: Omit<FieldProps, 'help'> & { options: readonly { value: string; name: ReactNode }[] }) {
  const { value, onChange } = useField(name);
  return (
    <Row role="radiogroup" aria-label={label}>
      {options.map((one) => (
        <Radio key={one.value} name={name} value={one.value} checked={value === one.value} onChange={() => onChange(one.value)}>
          {one.name}
        </Radio>
      ))}
    </Row>
  );
}

export function CheckboxFormField({ name, label }: Omit<FieldProps, 'help'>) {
  const { value, onChange } = useField(name);
  return (
    <Checkbox checked={value === true} onChange={onChange}>
      {label}
    </Checkbox>
  );
}

/** Any of several; what is wrong with them stands below. */
export function CheckboxesFormField({ name, label, options }: Omit<FieldProps, 'help'> & { options: CheckboxOption<string>[] }) {
  const { value, onChange, error } = useField(name);
  return (
    <div>
      <CheckboxGroup label={label} options={options} chosen={value as string[]} onChange={onChange} />
      <ErrorMessage error={error ? new Error(error) : null} />
    </div>
  );
}

const TYPED = { money: MoneyField, number: NumberField, date: DateField, phone: PhoneField } as const;
/** A price, a number, a date or a phone number, in any usual spelling. What cannot be read is not sent. */
export function TypedFormField({
  is,
  name,
  label,
  help,
  width,
}: FieldProps & { is: keyof typeof TYPED; width?: number | string }) {
  const readable = useRef(true);
  const { value, onChange, error } = useField(name, () => readable.current || UNREAD);
  const Control = TYPED[is] as typeof DateField;
  return (
    <Field label={label} help={help}>
      {({ id }) => (
        <Control
          id={id}
          label={label}
          width={width}
          value={(value as string | null) ?? null}
          onChange={onChange}
          onReadable={(now) => (readable.current = now)}
          error={error === UNREAD ? undefined : error}
        />
      )}
    </Field>
  );
}
/** The field itself says what it cannot read. */
const UNREAD = 'unread';
