'use client';
/** A rate with the interval in which the true one lies: a bar for the interval, a stroke where the count stands. */
import { interval } from '@/core/messages';
import { useFormat } from '../primitives';
import { Row, Text } from '../kit';

const percent = (share: number): string => `${Math.round(share * 100)}%`;

/** @param upTo what the whole bar stands for; beyond it, the bar ends */
export function Rate({ n, of, what, upTo = 0.4 }: { n: number; of: number; what: string; upTo?: number }) {
  const format = useFormat();
  if (!of) return <Text tone="soft">none yet</Text>;
  const { low, high } = interval({ n, of });
  const at = (share: number): number => Math.min(100, (share / upTo) * 100);
  return (
    <Row
      as="span"
      wrap={false}
      title={`${format.number(n)} of ${format.number(of)} ${what}. The true rate is between ${percent(low)} and ${percent(high)}.`}
    >
      <b>{percent(n / of)}</b>
      <svg width="64" height="10" viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
        <rect x="0" y="4.5" width="100" height="1" fill="var(--line)" />
        <rect x={at(low)} y="2" width={Math.max(1, at(high) - at(low))} height="6" rx="2" fill="var(--teal)" opacity="0.28" />
        <rect x={Math.min(98.4, at(n / of))} y="0" width="1.6" height="10" fill="var(--teal)" />
      </svg>
      <Text tone="soft" small>
        {percent(low)}–{percent(high)}
      </Text>
    </Row>
  );
}
