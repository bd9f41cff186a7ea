'use client';
/** The map in a page of the house: fetched when it is shown, with the homes of now and an area that can be drawn. */
import { useEffect, useRef, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { ask } from '../primitives';
import type { CountyMap, Pin, Ring } from '../primitives/county-map';
import 'leaflet/dist/leaflet.css';
import '../primitives/county-map.css';
import { Button, Row, Text } from '../kit';

export function MapView({
  pins = [],
  ring,
  height = 420,
  onPick,
  onRing,
}: {
  pins?: Pin[];
  ring: Ring | null;
  height?: number;
  onPick?: (id: string) => void;
  /** With it an area may be drawn; null takes the area away. */
  onRing?: (ring: Ring | null) => void;
}) {
  const { data: baseMap } = useQuery({
    queryKey: ['base-map'],
    queryFn: () => ask('GET /base-map'),
    staleTime: Infinity,
  });
  const element = useRef<HTMLDivElement>(null);
  const [map, setMap] = useState<CountyMap | null>(null);
  const [drawing, setDrawing] = useState(false);
  const calls = useRef({ onPick, onRing });
  useEffect(() => {
    calls.current = { onPick, onRing };
  });
  useEffect(() => {
    if (!baseMap) return;
    let gone = false;
    let made: CountyMap | null = null;
    void import('../primitives/county-map').then(({ countyMap }) => {
      if (gone || !element.current) return;
      made = countyMap(element.current, {
        baseMap,
        onPick: (id) => calls.current.onPick?.(id),
        onRing: (drawn) => {
          setDrawing(false);
          calls.current.onRing?.(drawn);
        },
      });
      setMap(made);
    });
    return () => {
      gone = true;
      made?.remove();
      setMap(null);
    };
  }, [baseMap]);
  useEffect(() => map?.setPins(pins), [map, pins]);
  useEffect(() => {
    if (!drawing) map?.setRing(ring);
  }, [map, ring, drawing]);
  return (
    <div>
      <div ref={element} role="region" aria-label="Map" style={{ height }} />
      {baseMap?.features.length === 0 && (
        <Text as="p" tone="soft" small>
          No base map yet. To add one, send a GeoJSON of your county to <code>PUT /api/v1/ground</code>.
        </Text>
      )}
      {onRing && (
        <Row small above={1.5}>
          {drawing ? (
            <>
              <span role="status">Click each corner. Click the first one again, or press Enter, to finish.</span>
              <Button
                size="tiny"
                onClick={() => {
                  map?.stopDrawing();
                  setDrawing(false);
                }}
              >
                Stop drawing
              </Button>
            </>
          ) : (
            <Button
              size="tiny"
              disabled={!map}
              onClick={() => {
                setDrawing(true);
                map?.draw();
              }}
            >
              {ring?.length ? 'Draw another area' : 'Draw an area'}
            </Button>
          )}
          {ring?.length && !drawing ? (
            <Button size="tiny" onClick={() => onRing(null)}>
              Remove area
            </Button>
          ) : null}
        </Row>
      )}
    </div>
  );
}
