'use client';
/** The Wire on a phone: Today, Inbox, search, add, and everything else behind More. */
import { useState } from 'react';
import NextLink from 'next/link';
import { usePathname } from 'next/navigation';
import { Ellipsis, Plus, Search } from 'lucide-react';
import { areasFor, type Area } from '@/core/accounts';
import { useFormat } from '../primitives';
import { BareButton, BottomBar, Button, Columns, LinkButton, Sheet, Text } from '../kit';
import { ClockMenu } from './clock-menu';
import { useOwnChoices } from './myself';
import { countOf, isHere, type WireProps } from './wire-areas';

const ICON = { size: 20, 'aria-hidden': true } as const;

/** The areas that stand in the bar itself, and those behind More; where there is one only, it stands in the bar. */
function areasInBar(me: WireProps['me']): { first: Area[]; rest: Area[] } {
  const areas = areasFor(me);
  const isFirst = ({ key }: Area) => areas.length === 1 || key === 'today' || key === 'inbox';
  return { first: areas.filter(isFirst), rest: areas.filter((area) => !isFirst(area)) };
}

export function PhoneBar(props: WireProps) {
  const { wire, me } = props;
  const path = usePathname();
  const format = useFormat();
  const [more, setMore] = useState(false);
  const { first, rest } = areasInBar(me);
  return (
    <>
      <BottomBar aria-label="Areas, on a phone">
        {first.map((area) => (
          <NextLink key={area.key} href={area.path} prefetch={false} aria-current={isHere(area, path) ? 'page' : undefined}>
            <b>{countOf(area, wire, format)}</b>
            {area.name}
          </NextLink>
        ))}
        <BareButton onClick={props.onSearch}>
          <Search {...ICON} />
          Search
        </BareButton>
        {me.role !== 'lender' && (
          <BareButton onClick={props.onAdd}>
            <Plus {...ICON} />
            Add
          </BareButton>
        )}
        <BareButton
          aria-haspopup="dialog"
          aria-current={rest.some((area) => isHere(area, path)) || undefined}
          onClick={() => setMore(true)}
        >
          <Ellipsis {...ICON} />
          More
        </BareButton>
      </BottomBar>
      {more && <MoreSheet {...props} onClose={() => setMore(false)} />}
    </>
  );
}

function MoreSheet({ onClose, ...props }: WireProps & { onClose: () => void }) {
  const { wire, me } = props;
  const format = useFormat();
  const own = useOwnChoices(me, props);
  return (
    <Sheet title={me.name} onClose={onClose}>
      <Columns least={140} gap={2}>
        {areasInBar(me).rest.map((area) => (
          <LinkButton key={area.key} href={area.path} onClick={onClose}>
            {area.name} <Text tone="soft">{countOf(area, wire, format)}</Text>
          </LinkButton>
        ))}
      </Columns>
      <ClockMenu simulated={props.clock.simulated && me.role !== 'lender'} held={props.clock.held} />
      {own.map(({ key, name, onChoose }) => (
        <Button
          key={key}
          look="text"
          onClick={() => {
            onClose();
            onChoose();
          }}
        >
          {name}
        </Button>
      ))}
    </Sheet>
  );
}
