'use client';
/** What concerns the database as a whole: files in and out, duplicates, the history of changes. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { CalendarDialog, ExportsDialog } from './later';
import { Kbd, MenuButton } from '../kit';

export function DataMenu({ onHistory }: { onHistory: () => void }) {
  const [calendar, setCalendar] = useState(false);
  const [files, setFiles] = useState(false);
  const router = useRouter();
  return (
    <>
      <MenuButton
        size="small"
        choices={[
          { key: 'import', name: 'Import a file…', onChoose: () => router.push('/contacts/import') },
          { key: 'duplicates', name: 'Find duplicates…', onChoose: () => router.push('/contacts/duplicates') },
          { key: 'calendar', name: 'Calendar of important dates…', onChoose: () => setCalendar(true) },
          { key: 'exports', name: 'Exports…', onChoose: () => setFiles(true) },
          {
            key: 'history',
            name: (
              <>
                Change history <Kbd>h</Kbd>
              </>
            ),
            onChoose: onHistory,
          },
        ]}
      >
        Database
      </MenuButton>
      {files && <ExportsDialog onClose={() => setFiles(false)} />}
      {calendar && <CalendarDialog onClose={() => setCalendar(false)} />}
    </>
  );
}
