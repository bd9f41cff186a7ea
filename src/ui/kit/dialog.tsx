'use client';
/**
 * A dialog with its form: Enter saves, Esc closes, and asks first if something typed would be lost. The error stands above the buttons, or at its
 * field where the form knows it. Without a form it ends with Close.
 */
import { useId, useRef, useState, type FormEvent, type ReactNode } from 'react';
import MuiDialog from '@mui/material/Dialog';
import { Button } from './button';
import { ErrorMessage } from './error-message';
import { FormEnd } from './form-end';
import { styled } from '@mui/material/styles';
import { Heading, Row, Stack, Text } from './layout';

const DialogBody = styled(Stack)({ gap: 14, padding: '20px 24px' });

export interface DialogProps {
  title: string;
  onClose: () => void;
  width?: 'xs' | 'sm' | 'md' | 'lg';
  /** It stands at the top of the page, so that what opens below it has room. */
  top?: boolean;
  children: ReactNode;
  /** Something typed would be lost: closing asks first. */
  dirty?: boolean;
  /** What was typed is thrown away. */
  onDiscard?: () => void;
  /** With it the dialog is a form, which `does` ends. */
  onSubmit?: () => void;
  does?: string;
  cancel?: string;
  busy?: boolean;
  may?: boolean;
  /** It takes something away. */
  warn?: boolean;
  error?: unknown;
  /** Beside the buttons. */
  note?: ReactNode;
  /** Without a form: it closes by what stands in it. */
  bare?: boolean;
}

const TOP = { paper: { sx: { alignSelf: 'flex-start', marginTop: '64px' } } };

export function Dialog({
  title,
  onClose,
  width = 'xs',
  top = false,
  children,
  dirty = false,
  onDiscard,
  onSubmit,
  does = 'Save',
  cancel,
  busy = false,
  may = true,
  warn = false,
  error,
  note,
  bare = false,
}: DialogProps) {
  const heading = useId();
  const [asking, setAsking] = useState(false);
  const typedIn = useRef<HTMLElement | null>(null);
  const ask = () => {
    typedIn.current = document.activeElement as HTMLElement | null;
    setAsking(true);
  };
  /* Back to where one was typing: the button that had the focus goes. */
  const goOn = () => {
    typedIn.current?.focus();
    setAsking(false);
  };
  const close = () => (!dirty ? onClose() : asking ? goOn() : ask());
  const send = (event: FormEvent) => {
    event.preventDefault();
    /* A form in a dialog in a form is its own. */
    event.stopPropagation();
    if (!busy && may) onSubmit?.();
  };
  const body = (
    <DialogBody>
      <Heading level={1} id={heading} dir="auto">
        {title}
      </Heading>
      {children}
      <ErrorMessage error={error} />
      {asking ? (
        <Row role="alert">
          <Text>Discard what you typed?</Text>
          <Button
            look="warn"
            onClick={() => {
              onDiscard?.();
              onClose();
            }}
          >
            Discard changes
          </Button>
          <Button autoFocus onClick={goOn}>
            Keep editing
          </Button>
        </Row>
      ) : onSubmit ? (
        <FormEnd does={does} busy={busy} may={may} warn={warn} cancel={cancel} onCancel={close}>
          {note}
        </FormEnd>
      ) : (
        !bare && (
          <Row>
            {note}
            <Button onClick={close}>Close</Button>
          </Row>
        )
      )}
    </DialogBody>
  );
  return (
    <MuiDialog open onClose={close} aria-labelledby={heading} fullWidth maxWidth={width} slotProps={top ? TOP : undefined}>
      {onSubmit ? (
        <form onSubmit={send} noValidate>
          {body}
        </form>
      ) : (
        body
      )}
    </MuiDialog>
  );
}
