'use client';
/**
 * What opens from a button and stands beside it: `Popup` with anything in it, `MenuButton` with things to choose (`ChoiceMenu` where the button is of
 * another look). Focus goes back to the button.
 */
import { useState, type ComponentProps, type ReactNode } from 'react';
import Divider from '@mui/material/Divider';
import ListItemText from '@mui/material/ListItemText';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Popover from '@mui/material/Popover';
import { Button } from './button';

export function Popup({
  anchor,
  onClose,
  label,
  width = 400,
  children,
}: {
  anchor: HTMLElement | null;
  onClose: () => void;
  label: string;
  width?: number;
  children: ReactNode;
}) {
  return (
    <Popover
      open={anchor !== null}
      anchorEl={anchor}
      onClose={onClose}
      /* At once: what opens in it measures where it stands. */
      transitionDuration={0}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{
        /* Before that it is hidden, and nothing in it takes the focus. */
        transition: { onEntering: focusFirst },
        paper: {
          role: 'dialog',
          'aria-label': label,
          sx: ({ vars }) => ({
            width,
            maxWidth: 'calc(100vw - 24px)',
            padding: '14px 16px',
            display: 'grid',
            gap: '10px',
            border: `1px solid ${vars.palette.divider}`,
            boxShadow: vars.palette.magpie.shade,
          }),
        },
      }}
    >
      {children}
    </Popover>
  );
}

const focusFirst = (paper: HTMLElement): void =>
  (
    paper.querySelector<HTMLElement>(':is(input, textarea, select):not(:disabled, [type="checkbox"])') ??
    paper.querySelector<HTMLElement>(':is(button, input):not(:disabled)')
  )?.focus();

export interface MenuChoice {
  key: string;
  name: ReactNode;
  /** Below its name, in a few words. */
  note?: ReactNode;
  chosen?: boolean;
  disabled?: boolean;
  /** A line stands above it. */
  apart?: boolean;
  onChoose: () => void;
}

/** @param head stands above the choices and cannot be chosen @param above it opens upward: its button stands at the foot of the page */
export function ChoiceMenu({
  anchor,
  choices,
  head,
  above = false,
  onClose,
}: {
  anchor: HTMLElement | null;
  choices: MenuChoice[];
  head?: ReactNode;
  above?: boolean;
  onClose: () => void;
}) {
  return (
    <Menu
      anchorEl={anchor}
      open={anchor !== null}
      onClose={onClose}
      onClick={(event) => event.stopPropagation()}
      /* At once: what grows under the pointer is missed by it. */
      transitionDuration={0}
      anchorOrigin={{ vertical: above ? 'top' : 'bottom', horizontal: 'left' }}
      transformOrigin={{ vertical: above ? 'bottom' : 'top', horizontal: 'left' }}
    >
      {head && (
        <MenuItem disabled dense sx={{ opacity: '1 !important', fontWeight: 600 }}>
          {head}
        </MenuItem>
      )}
      {choices.flatMap(({ key, name, note, chosen, disabled, apart, onChoose }) => [
        apart && <Divider key={`${key} apart`} />,
        <MenuItem
          key={key}
          dense
          selected={chosen}
          disabled={disabled}
          onClick={() => {
            onClose();
            onChoose();
          }}
        >
          <ListItemText primary={name} secondary={note} />
        </MenuItem>,
      ])}
    </Menu>
  );
}

export function MenuButton({
  choices,
  above,
  children,
  ...button
}: { choices: MenuChoice[]; above?: boolean; children: ReactNode } & Omit<
  ComponentProps<typeof Button>,
  'onClick' | 'children'
>) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        {...button}
        onClick={(event) => {
          event.stopPropagation();
          setAnchor(event.currentTarget);
        }}
      >
        {children}
      </Button>
      <ChoiceMenu anchor={anchor} choices={choices} above={above} onClose={() => setAnchor(null)} />
    </>
  );
}
