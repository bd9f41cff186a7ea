'use client';
/** What concerns the database as a whole: files in and out, duplicates, the history of changes. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { ExportsDialog } from '../changes';
import { CalendarDialog } from './calendar-dialog';
import { Button, Kbd } from '../kit';

export function DataMenu({ onHistory }: { onHistory: () => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [calendar, setCalendar] = useState(false);
  const [files, setFiles] = useState(false);
  const router = useRouter();
  const pick = (act: () => void) => () => {
    setAnchor(null);
    act();
  };
  return (
    <>
      <Button size="small" aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        Database
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem onClick={pick(() => router.push('/contacts/import'))}>Import a file…</MenuItem>
        <MenuItem onClick={pick(() => router.push('/contacts/duplicates'))}>Find duplicates…</MenuItem>
        <MenuItem onClick={pick(() => setCalendar(true))}>Calendar of important dates…</MenuItem>
        <MenuItem onClick={pick(() => setFiles(true))}>Exports…</MenuItem>
        <MenuItem onClick={pick(onHistory)}>
          Change history <Kbd>h</Kbd>
        </MenuItem>
      </Menu>
      {files && <ExportsDialog onClose={() => setFiles(false)} />}
      {calendar && <CalendarDialog onClose={() => setCalendar(false)} />}
    </>
  );
}
