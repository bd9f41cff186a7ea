'use client';
/** A sheet that comes up from the bottom of a phone. */
import type { ReactNode } from 'react';
import Drawer from '@mui/material/Drawer';
import { Heading, Stack } from './layout';

export const Sheet = ({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) => (
  <Drawer
    anchor="bottom"
    open
    onClose={onClose}
    slotProps={{ paper: { role: 'dialog', 'aria-label': title, sx: { borderRadius: '12px 12px 0 0', maxHeight: '80dvh' } } }}
  >
    <Stack gap={2} style={{ padding: '16px 16px 28px' }}>
      <Heading level={1}>{title}</Heading>
      {children}
    </Stack>
  </Drawer>
);
