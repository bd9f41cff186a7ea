'use client';
/** Beside the inquiries: names that leads brought and nobody has looked at, and the way to all sources. */
import { Button, LinkButton, ListLine, Section, Text } from '../kit';
import { useSources } from './use-sources';

export function NewSources() {
  const { sources = [], keep, dismiss } = useSources();
  return (
    <Section
      title="Sources"
      end={
        <LinkButton size="tiny" href="/setup/sources#sources">
          All {sources.filter(({ state }) => state === 'known').length}
        </LinkButton>
      }
    >
      {sources.every(({ state }) => state !== 'proposed') && (
        <Text tone="soft" small>
          No new names.
        </Text>
      )}
      {sources
        .filter(({ state }) => state === 'proposed')
        .map((source) => (
          <ListLine
            key={source.id}
            end={
              <>
                <Button size="tiny" aria-label={`${source.name} is one of ours`} onClick={() => keep.mutate(source.id)}>
                  Ours
                </Button>
                <Button size="tiny" aria-label={`${source.name} isn’t a lead source`} onClick={() => dismiss.mutate(source)}>
                  Not a source
                </Button>
              </>
            }
          >
            <Text strong dir="auto">
              {source.name}
            </Text>
          </ListLine>
        ))}
    </Section>
  );
}
