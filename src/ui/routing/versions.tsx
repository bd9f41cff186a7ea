'use client';
/** The ladders of before, each of which can be brought back. */
import { useQuery } from '@tanstack/react-query';
import { ask, useZone, useFormat } from '../primitives';
import { Button, Dialog, Row, Text } from '../kit';

export function VersionsDialog({ onRestore, onClose }: { onRestore: (version: string) => void; onClose: () => void }) {
  const zone = useZone();
  const format = useFormat();
  const { data } = useQuery({
    queryKey: ['ladder', 'versions'],
    queryFn: async () => (await ask('GET /ladder/versions')).items,
  });
  return (
    <Dialog title="Past versions" width="sm" onClose={onClose}>
      {data?.length === 1 && (
        <Text as="p" tone="soft">
          No changes yet.
        </Text>
      )}
      {data?.map((version) => (
        <Row ruled spread wrap={false} gap={3} key={version.id} align="start">
          <span>
            <b>{format.dayAndTime(new Date(version.made_at), zone)}</b> <Text tone="soft">by {version.made_by}</Text>
            {version.rungs.map((rung, at) => (
              <Text block small key={at}>
                {at + 1}. {rung}
              </Text>
            ))}
            {version.rungs.length === 0 && (
              <Text tone="soft" small>
                no rungs
              </Text>
            )}
          </span>
          {version.current ? (
            <Text tone="soft" small nowrap>
              current
            </Text>
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
        </Row>
      ))}
    </Dialog>
  );
}
