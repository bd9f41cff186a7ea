/** The map of a home search in the visitor's browser: homes as pins, an area that one draws becomes part of what is asked. The list works without it. */
import 'leaflet/dist/leaflet.css';
import '../../primitives/county-map.css';
import { countyMap, type Pin, type Ring } from '../../primitives/county-map';
import type { BaseMap } from '@/core/market';

const element = document.querySelector<HTMLElement>('#map');
const form = document.querySelector<HTMLFormElement>('form.asks');
if (element && form) void show(element, form);

async function show(element: HTMLElement, form: HTMLFormElement): Promise<void> {
  const { slug } = element.dataset;
  const answer = await fetch(`/p/${slug}/places${location.search}`);
  if (!answer.ok) return;
  const { baseMap, pins, ring } = (await answer.json()) as { baseMap: BaseMap; pins: Pin[]; ring: Ring | null };
  if (!baseMap.features.length && !pins.length) return;
  element.hidden = false;
  element.setAttribute('role', 'region');
  element.setAttribute('aria-label', 'Map of these homes');
  const within = form.querySelector<HTMLInputElement>('input[name=within]')!;
  const map = countyMap(element, {
    baseMap,
    near: pins.map(({ latitude, longitude }) => [latitude, longitude]),
    onPick: (number) => {
      // eslint-disable-next-line @next/next/no-location-assign-relative-destination -- a public page has no router; this is a plain way to another document
      location.href = `/p/${slug}/${encodeURIComponent(number)}`;
    },
    onRing: (drawn) => {
      within.value = drawn.map((corner) => corner.join(',')).join(' ');
      form.submit();
    },
  });
  map.setPins(pins);
  map.setRing(ring);
  const line = document.createElement('p');
  line.className = 'line small';
  const button = (words: string, does: () => void) => {
    const made = document.createElement('button');
    made.type = 'button';
    made.className = 'go quiet';
    made.style.cssText = 'min-height:36px;padding:4px 14px;font-size:14px';
    made.textContent = words;
    made.addEventListener('click', does);
    line.append(made);
    return made;
  };
  const draw = button(ring ? 'Draw another area' : 'Draw an area', () => {
    map.draw();
    draw.textContent = 'Click each corner, then the first one again';
  });
  if (ring)
    button('Remove area', () => {
      within.value = '';
      form.submit();
    });
  element.after(line);
}
