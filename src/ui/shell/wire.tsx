'use client';
/** The Wire: the areas of the job on one line, each with the number that matters there now; search, add, clock and myself at its end. */
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { areasFor, type Area, type Role } from '@/core/accounts';
import type { WireView } from '@/core/today';
import type { Jsoned } from '@/core/shared';
import { Bird } from '../primitives';
import { ClockMenu } from './clock-menu';
import { Myself } from './myself';
import { BareButton } from '../kit';

export type Wire = Jsoned<WireView>;

const number = (value: number): string => value.toLocaleString('en-US');
const counts: Record<Area['key'], (wire: Wire) => string> = {
  today: (wire) => number(wire.today),
  inbox: (wire) => number(wire.inbox),
  intake: (wire) => number(wire.intake),
  contacts: (wire) => number(wire.contacts),
  routing: (wire) => `${number(wire.routing)} waiting`,
  campaigns: (wire) => number(wire.campaigns),
  market: (wire) => number(wire.market),
  results: (wire) => (wire.results === null ? '–' : `${wire.results} %`),
};
const MEANINGS: Record<Area['key'], string> = {
  today: 'due today',
  inbox: 'unread conversations',
  intake: 'inquiries today',
  contacts: 'contacts',
  routing: 'leads not attempted yet',
  campaigns: 'contacts in campaigns',
  market: 'listings on the market',
  results: 'of the last 30 days’ leads attempted',
};

export function WireLine({
  wire,
  me,
  onSearch,
  onAdd,
  onHelp,
  onFormats,
}: {
  wire: Wire;
  me: { id: string; name: string; role: Role };
  onSearch: () => void;
  onAdd: () => void;
  onHelp: () => void;
  onFormats: () => void;
}) {
  const path = usePathname();
  return (
    <header className="wire">
      <Link href="/" className="mark">
        urraca
      </Link>
      <nav aria-label="Areas">
        {areasFor(me.role).map((area) => {
          const on = path === area.path || path.startsWith(`${area.path}/`);
          return (
            <Link
              key={area.key}
              href={area.path}
              className={`perch${on ? ' on' : ''}${area.key === 'routing' && wire.routing > 0 ? ' pressing' : ''}`}
              aria-current={on ? 'page' : undefined}
              title={`${counts[area.key](wire)} ${MEANINGS[area.key]} (g ${area.letter})`}
              prefetch={false}
            >
              {on && <Bird />}
              {area.name}
              <b>{counts[area.key](wire)}</b>
              <i aria-hidden="true" />
            </Link>
          );
        })}
      </nav>
      <div className="ends">
        <BareButton onClick={onSearch} title="Search and commands (/)">
          Search <kbd className="wide">/</kbd>
        </BareButton>
        {me.role !== 'lender' && (
          <BareButton onClick={onAdd} title="Add a lead (n)">
            Add <kbd className="wide">n</kbd>
          </BareButton>
        )}
        <ClockMenu simulated={wire.clock.simulated && me.role !== 'lender'} held={wire.clock.held} />
        <Myself me={me} onHelp={onHelp} onFormats={onFormats} />
      </div>
    </header>
  );
}
