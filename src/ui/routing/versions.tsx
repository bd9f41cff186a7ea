'use client';
/** The ladders of before, each of which can be brought back. */
import Dialog from '@mui/material/Dialog';
import { useQuery } from '@tanstack/react-query';
import { dayAndTime } from '@/core/shared';
import { ask, useZone } from '../primitives';
import { Button } from '../kit';

export function VersionsDialog({ onRestore, onClose }: { onRestore: (version: string) => void; onClose: () => void }) {
  const zone = useZone();
  const { data } = useQuery({
    queryKey: ['ladder', 'versions'],
    queryFn: async () => (await ask('GET /ladder/versions')).items,
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="versions-title">
      <div className="dialog">
        <h1 id="versions-title">The ladder before</h1>
        {data?.length === 1 && <p className="soft">It has not been changed yet.</p>}
        {data?.map((version) => (
          <div key={version.id} className="pair" style={{ alignItems: 'flex-start' }}>
            <span>
              <b>{dayAndTime(new Date(version.made_at), zone)}</b> <span className="soft">by {version.made_by}</span>
              {version.rungs.map((rung, at) => (
                <span key={at} className="small" style={{ display: 'block' }}>
                  {at + 1}. {rung}
                </span>
              ))}
              {version.rungs.length === 0 && <span className="soft small">no rungs</span>}
            </span>
            {version.current ? (
              <span className="soft small nowrap">as it is now</span>
            ) : (
              <Button
                onClick={() => {
                  onRestore(version.id);
                  onClose();
                }}
              >
                Bring it back
              </Button>
            )}
          </div>
        ))}
        <div className="line">
          <Button onClick={onClose}>Close</Button>
        </div>
      </div>
    </Dialog>
  );
}
