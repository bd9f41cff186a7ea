'use client';
/** The ladders of before, each of which can be brought back. */
import Dialog from '@mui/material/Dialog';
import { useQuery } from '@tanstack/react-query';
import { ask, useZone, useFormat } from '../primitives';
import { Button } from '../kit';

export function VersionsDialog({ onRestore, onClose }: { onRestore: (version: string) => void; onClose: () => void }) {
  const zone = useZone();
  const format = useFormat();
  const { data } = useQuery({
    queryKey: ['ladder', 'versions'],
    queryFn: async () => (await ask('GET /ladder/versions')).items,
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="versions-title">
      <div className="dialog">
        <h1 id="versions-title">Past versions</h1>
        {data?.length === 1 && <p className="soft">No changes yet.</p>}
        {data?.map((version) => (
          <div key={version.id} className="pair" style={{ alignItems: 'flex-start' }}>
            <span>
              <b>{format.dayAndTime(new Date(version.made_at), zone)}</b> <span className="soft">by {version.made_by}</span>
              {version.rungs.map((rung, at) => (
                <span key={at} className="small" style={{ display: 'block' }}>
                  {at + 1}. {rung}
                </span>
              ))}
              {version.rungs.length === 0 && <span className="soft small">no rungs</span>}
            </span>
            {version.current ? (
              <span className="soft small nowrap">current</span>
            ) : (
              <Button
                onClick={() => {
                  onRestore(version.id);
                  onClose();
                }}
              >
                Restore
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
