'use client';
/** Market: the listings that are known, narrowed by what one asks and by an area drawn on the map; files of listings are taken in here. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import {
  criteriaWords,
  LISTING_STATUSES,
  priceWords,
  roomsWords,
  wordsOfCriteria,
  type Criteria,
  type ListingStatus,
  type ListingView,
} from '@/core/market';
import type { Jsoned } from '@/core/shared';
import { ask, drawHome, useNow, useZone, when, useFormat } from '../primitives';
import { AskFor } from './ask-for';
import { ImportListings } from './import-listings';
import { MapView } from './map';
import {
  Button,
  EmptyState,
  ErrorMessage,
  Heading,
  HomeButton,
  LinkButton,
  Panel,
  Row,
  Select,
  Split,
  SplitSide,
  Stack,
  Text,
} from '../kit';

export type ListingJson = Jsoned<ListingView>;
export const STATUS_NAMES: Record<ListingStatus, string> = {
  coming_soon: 'coming soon',
  active: 'active',
  under_contract: 'under contract',
  pending: 'pending',
  closed: 'sold',
  withdrawn: 'withdrawn',
  expired: 'expired',
};

export function MarketArea({ office }: { office: boolean }) {
  const format = useFormat();
  const [criteria, setCriteria] = useState<Criteria>({});
  const [status, setStatus] = useState<ListingStatus | ''>('');
  const [chosen, setChosen] = useState<string | null>(null);
  const [limit, setLimit] = useState(100);
  const words = new URLSearchParams({ ...wordsOfCriteria(criteria), ...(status ? { status } : {}), limit: String(limit) });
  const homes = useQuery({
    queryKey: ['listings', words.toString()],
    queryFn: () => ask('GET /listings', { query: words }),
    placeholderData: (before) => before,
  });
  const items = homes.data?.items ?? [];
  const total = homes.data?.total ?? 0;
  const asked = words.size > 1;
  const pins = items.flatMap(({ id, address, latitude, longitude }) =>
    latitude === null || longitude === null ? [] : [{ id, title: address, latitude, longitude, chosen: id === chosen }],
  );
  return (
    <>
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>Market</Heading>
          <Text as="p" tone="soft">
            {criteriaWords(criteria)}: {format.number(total)} {status ? STATUS_NAMES[status] : 'on the market'}
          </Text>
        </div>
        <Row above={1}>
          {office && <LinkButton href="/market/pages">Public pages</LinkButton>}
          {office && <ImportListings />}
        </Row>
      </Row>
      <AskFor criteria={criteria} onChange={setCriteria}>
        <Select aria-label="Status" value={status} onChange={(event) => setStatus(event.target.value as ListingStatus | '')}>
          <option value="">on the market</option>
          {LISTING_STATUSES.map((one) => (
            <option key={one} value={one}>
              {STATUS_NAMES[one]}
            </option>
          ))}
        </Select>
      </AskFor>
      <Split side="minmax(360px, 480px)">
        <section aria-label="Listings">
          <ErrorMessage error={homes.error} />
          {homes.isSuccess && items.length === 0 && (
            <EmptyState>
              {asked
                ? 'No matches. Remove a filter.'
                : 'No listings yet. Import a CSV from your MLS (RESO Data Dictionary columns).'}
            </EmptyState>
          )}
          {items.map((home) => (
            <HomeLine key={home.id} home={home} chosen={home.id === chosen} onChoose={() => setChosen(home.id)} />
          ))}
          {items.length < total && limit < 500 && (
            <Button size="small" onClick={() => setLimit(500)}>
              More
            </Button>
          )}
        </section>
        <SplitSide>
          <MapView
            pins={pins}
            ring={criteria.within ?? null}
            onPick={(id) => {
              setChosen(id);
              document.getElementById(`home-${id}`)?.scrollIntoView({ block: 'center' });
            }}
            onRing={(ring) => {
              setCriteria({ ...criteria, within: ring ?? undefined });
            }}
          />
          <Chosen home={items.find(({ id }) => id === chosen) ?? null} />
        </SplitSide>
      </Split>
    </>
  );
}

function HomeLine({ home, chosen, onChoose }: { home: ListingJson; chosen: boolean; onChoose: () => void }) {
  return (
    <HomeButton id={`home-${home.id}`} aria-current={chosen} onClick={onChoose}>
      <span aria-hidden="true" dangerouslySetInnerHTML={{ __html: drawHome(home) }} />
      <Stack as="span" gap={0}>
        <Text block strong cut>
          {home.address}
        </Text>
        <Text block tone="soft" small cut>
          {[home.area, home.kind, roomsWords({ ...home, livingArea: home.living_area })].filter(Boolean).join(' · ')}
        </Text>
        <OpenHouse home={home} />
      </Stack>
      <Text right>
        <Text strong nowrap>
          {priceWords(home)}
        </Text>
        <Text block tone="soft" small>
          {STATUS_NAMES[home.status]}
        </Text>
      </Text>
    </HomeButton>
  );
}

/** The next open house; nothing once it is over. */
function OpenHouse({ home: { open_from, open_to } }: { home: ListingJson }) {
  const now = useNow();
  const zone = useZone();
  const format = useFormat();
  if (!open_from || new Date(open_to ?? open_from) < now) return null;
  return (
    <Text block tone="good" small>
      open house {format.dayAndTime(new Date(open_from), zone)}
      {open_to ? ` to ${format.time(new Date(open_to), zone)}` : ''}
    </Text>
  );
}

function Chosen({ home }: { home: ListingJson | null }) {
  const format = useFormat();
  const now = useNow();
  const zone = useZone();
  if (!home)
    return (
      <Text as="p" tone="soft" small>
        Choose a listing from the list or the map.
      </Text>
    );
  return (
    <Panel as="section" aria-label="One listing">
      <Heading>{home.address}</Heading>
      <p>
        <b>{priceWords(home)}</b> <Text tone="soft">{roomsWords({ ...home, livingArea: home.living_area })}</Text>
      </p>
      {home.remarks && (
        <Text as="p" above={1.5}>
          {home.remarks}
        </Text>
      )}
      <Text as="p" tone="soft" small above={1.5}>
        {home.number}
        {home.on_market && ` · on the market since ${when(new Date(`${home.on_market}T12:00:00Z`), now, zone, format)}`}
        {home.agent ? <> · listed by {home.agent.name}, ours</> : home.agent_name && <> · listed by {home.agent_name}</>}
      </Text>
    </Panel>
  );
}
