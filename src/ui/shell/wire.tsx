'use client';
/** The Wire: the areas of the job on one line, each with the number that matters there now; search, add, clock and myself at its end. */
import { usePathname } from 'next/navigation';
import { areasFor } from '@/core/accounts';
import { Bird, useFormat } from '../primitives';
import { Kbd, Mark, Perch, WireBar, WireButton, WireEnds } from '../kit';
import { ClockMenu } from './clock-menu';
import { Myself } from './myself';
import { PhoneBar } from './phone-bar';
import { countOf, isHere, MEANINGS, type WireProps } from './wire-areas';

export function WireLine(props: WireProps) {
  const { wire, me } = props;
  const path = usePathname();
  const format = useFormat();
  return (
    <>
      <WireBar>
        <Mark href="/">urraca</Mark>
        <nav aria-label="Areas">
          {areasFor(me).map((area) => {
            const on = isHere(area, path);
            return (
              <Perch
                key={area.key}
                href={area.path}
                data-pressing={(area.key === 'routing' && (wire?.routing ?? 0) > 0) || undefined}
                aria-current={on ? 'page' : undefined}
                title={`${countOf(area, wire, format)} ${MEANINGS[area.key]} (g ${area.letter})`}
                prefetch={false}
              >
                {on && <Bird />}
                {area.name}
                <b>{countOf(area, wire, format)}</b>
                <i aria-hidden="true" />
              </Perch>
            );
          })}
        </nav>
        <WireEnds>
          <WireButton onClick={props.onSearch} title="Search and commands (/)">
            Search <Kbd className="wide">/</Kbd>
          </WireButton>
          {me.role !== 'lender' && (
            <WireButton onClick={props.onAdd} title="Add a lead (n)">
              Add <Kbd className="wide">n</Kbd>
            </WireButton>
          )}
          <ClockMenu simulated={props.clock.simulated && me.role !== 'lender'} held={props.clock.held} />
          <Myself {...props} />
        </WireEnds>
      </WireBar>
      <PhoneBar {...props} />
    </>
  );
}
