'use client';
/** A rate with the interval in which the true one lies: a bar for the interval, a stroke where the count stands. */
import { interval } from '@/core/messages';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

export function Rate({ n, of, what }: { n: number; of: number; what: string }) {
  if (!of) return <span className="soft">none yet</span>;
  const { low, high } = interval({ n, of });
  return (
    <span
      className="rate"
      title={`${n.toLocaleString('en-US')} of ${of.toLocaleString('en-US')} ${what}. The true rate lies between ${percent(low)} and ${percent(high)}, as far as can be told.`}
    >
      <b>{percent(n / of)}</b>
      <svg width="64" height="10" viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
        <rect x="0" y="4.5" width="100" height="1" fill="var(--line)" />
        <rect x={low * 100} y="2" width={Math.max(1, (high - low) * 100)} height="6" rx="2" fill="var(--teal)" opacity="0.28" />
        <rect x={(n / of) * 100 - 0.8} y="0" width="1.6" height="10" fill="var(--teal)" />
      </svg>
      <span className="soft small">
        {percent(low)}–{percent(high)}
      </span>
    </span>
  );
}
