'use client';
/** Parts of which one is shown at a time: arrows go between them, as every screen reader says. */
import type { ReactNode } from 'react';
import MuiTab from '@mui/material/Tab';
import MuiTabs from '@mui/material/Tabs';

export function Tabs<Key extends string>({
  label,
  tabs,
  at,
  onGo,
}: {
  label: string;
  tabs: { key: Key; name: ReactNode }[];
  at: Key;
  onGo: (key: Key) => void;
}) {
  return (
    <MuiTabs value={at} onChange={(_, key: Key) => onGo(key)} aria-label={label} variant="scrollable" scrollButtons={false}>
      {tabs.map(({ key, name }) => (
        <MuiTab key={key} value={key} label={name} id={`tab-${key}`} aria-controls={`panel-${key}`} />
      ))}
    </MuiTabs>
  );
}

/** What a tab shows. */
export const TabPanel = ({ of, children }: { of: string; children: ReactNode }) => (
  <div role="tabpanel" id={`panel-${of}`} aria-labelledby={`tab-${of}`}>
    {children}
  </div>
);
