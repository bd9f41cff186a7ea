'use client';
/** All the shortcuts on one page, as the registry has them. */
import { shortcutGroups } from '../primitives';
import { Columns, Dialog, Heading, Kbd, Row, Stack, Text } from '../kit';

export function HelpDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Shortcuts" width="md" onClose={onClose}>
      <Columns least={260} gap={6}>
        {shortcutGroups().map(({ name, keys }) => (
          <Stack key={name} gap={1} as="section" aria-label={name}>
            <Heading>{name}</Heading>
            {keys.map(([key, does]) => (
              <Row key={key} spread wrap={false} gap={3}>
                <Text small>{does}</Text>
                <Kbd>{key}</Kbd>
              </Row>
            ))}
          </Stack>
        ))}
      </Columns>
    </Dialog>
  );
}
