/**
 * The map without tiles: the account's ground as GeoJSON, homes as pins, and an area that one may draw. Plain DOM, so that pages of the
 * house and public pages draw the same; colours come from the stylesheet (`.county-map`).
 */
import * as L from 'leaflet';
import { TerraDraw, TerraDrawPolygonMode } from 'terra-draw';
import { TerraDrawLeafletAdapter } from 'terra-draw-leaflet-adapter';
import type { BaseMap } from '@/core/market';

export interface Pin {
  id: string;
  title: string;
  latitude: number;
  longitude: number;
  chosen?: boolean;
}
export type Ring = [number, number][];

export interface CountyMap {
  setPins(pins: Pin[]): void;
  /** Shows an area; null shows none. */
  setRing(ring: Ring | null): void;
  /** The next clicks are corners; a click on the first, or Enter, ends it. */
  draw(): void;
  stopDrawing(): void;
  remove(): void;
}

/** Corners to the precision of a metre. */
const rounded = (value: number): number => Math.round(value * 1e5) / 1e5;
/** What lies below what: the land, then water, then lines, then names. */
const ORDER = ['county', 'water', 'town', 'neighborhood', 'river', 'coast', 'street', 'road'];
const NAMED = new Set(['town', 'water']);

export function countyMap(
  element: HTMLElement,
  {
    baseMap,
    near,
    onPick,
    onRing,
  }: {
    baseMap: BaseMap;
    /** What is looked at first; the whole ground without it. */
    near?: [latitude: number, longitude: number][];
    onPick?: (id: string) => void;
    onRing?: (ring: Ring) => void;
  },
): CountyMap {
  element.classList.add('county-map');
  const map = L.map(element, { attributionControl: false, zoomControl: false, zoomSnap: 0.25, scrollWheelZoom: false });
  L.control.zoom({ position: 'bottomright' }).addTo(map);
  const features = [...baseMap.features].sort(
    (a, b) => ORDER.indexOf(a.properties.kind) - ORDER.indexOf(b.properties.kind),
  ) as unknown as GeoJSON.Feature[];
  const named: [string, string, L.LatLngBounds][] = [];
  const land = L.geoJSON(features, {
    interactive: false,
    style: (feature) => ({ className: `ground ${(feature?.properties as { kind: string } | undefined)?.kind ?? ''}` }),
    onEachFeature: (feature, layer) => {
      const { kind, name } = feature.properties as { kind: string; name: string };
      if (NAMED.has(kind) && name) named.push([name, kind, (layer as L.Polygon).getBounds()]);
    },
  }).addTo(map);
  /* A town's name stands above it, where no home hides it; that of a lake below. */
  for (const [name, kind, around] of named)
    L.tooltip([kind === 'town' ? around.getNorth() : around.getSouth(), around.getCenter().lng], {
      content: name,
      permanent: true,
      direction: kind === 'town' ? 'top' : 'bottom',
      className: `place ${kind}`,
      interactive: false,
    }).addTo(map);
  const bounds = near?.length ? L.latLngBounds(near).pad(0.15) : land.getBounds();
  map.fitBounds(
    bounds.isValid()
      ? bounds
      : [
          [-60, -170],
          [75, 170],
        ],
    { animate: false },
  );
  const pins = L.layerGroup().addTo(map);
  let shown: L.Polygon | null = null;
  let draw: TerraDraw | null = null;

  const stopDrawing = () => {
    draw?.stop();
    draw = null;
    element.classList.remove('drawing');
  };
  const setRing = (ring: Ring | null) => {
    shown?.remove();
    shown = ring?.length
      ? L.polygon(
          ring.map(([x, y]) => [y, x] as [number, number]),
          { className: 'ring', interactive: false },
        ).addTo(map)
      : null;
  };
  return {
    setPins: (homes) => {
      pins.clearLayers();
      for (const { id, title, latitude, longitude, chosen } of homes)
        L.circleMarker([latitude, longitude], { radius: chosen ? 9 : 6, className: `pin${chosen ? ' chosen' : ''}` })
          .bindTooltip(title)
          .on('click', () => onPick?.(id))
          .addTo(pins);
    },
    setRing,
    draw: () => {
      stopDrawing();
      setRing(null);
      element.classList.add('drawing');
      draw = new TerraDraw({ adapter: new TerraDrawLeafletAdapter({ lib: L, map }), modes: [new TerraDrawPolygonMode()] });
      draw.start();
      draw.setMode('polygon');
      draw.on('finish', () => {
        const drawn = draw?.getSnapshot().find(({ geometry }) => geometry.type === 'Polygon');
        const corners = drawn ? ((drawn.geometry.coordinates as number[][][])[0] ?? []) : [];
        const ring = corners.slice(0, -1).map(([x, y]) => [rounded(x!), rounded(y!)] as [number, number]);
        stopDrawing();
        if (ring.length < 3) return;
        setRing(ring);
        onRing?.(ring);
      });
    },
    stopDrawing,
    remove: () => {
      stopDrawing();
      map.remove();
    },
  };
}
