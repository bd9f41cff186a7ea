/**
 * How many parts a text message takes. GSM 03.38 (3GPP TS 23.038) packs 160 signs of its alphabet in a part and 153 in each of several;
 * one sign outside of it makes the whole message UCS-2, with 70 and 67 units.
 */
const BASIC =
  '@£$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !"#¤%&\'()*+,-./0123456789:;<=>?¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà';
const EXTENDED = '\f^{}\\[~]|€';
const ONE = new Set(BASIC);
const TWO = new Set(EXTENDED);

/** How a text message is counted by the carrier. */
export interface TextParts {
  alphabet: 'GSM-7' | 'UCS-2';
  /** Septets or UTF-16 units. */
  units: number;
  parts: number;
  /** The signs that make it UCS-2, each once. */
  outside: string[];
}

export function partsOf(text: string): TextParts {
  const outside = new Set<string>();
  let septets = 0;
  for (const sign of text) {
    if (ONE.has(sign)) septets += 1;
    else if (TWO.has(sign)) septets += 2;
    else outside.add(sign);
  }
  const wide = outside.size > 0;
  const units = wide ? text.length : septets;
  const [single, several] = wide ? [70, 67] : [160, 153];
  return {
    alphabet: wide ? 'UCS-2' : 'GSM-7',
    units,
    parts: units === 0 ? 0 : units <= single ? 1 : Math.ceil(units / several),
    outside: [...outside],
  };
}
