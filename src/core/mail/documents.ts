/** Documents that a machine wrote, inside of a mail or attached to it: JSON and XML as labelled values, each with the groups around it. */
import { parseDocument } from 'htmlparser2';
import { isTag, isText, type Element } from 'domhandler';
import type { Entry } from './mail';

const MOST_ENTRIES = 2_000;

/** `{"label": "First name", "value": "Oda"}`, by whatever names: the label with its value. */
function pairOf(value: object): { label: string; value: unknown } | null {
  const given = value as Record<string, unknown>;
  const label = ['label', 'question', 'title', 'name', 'field', 'key']
    .map((key) => given[key])
    .find((one) => typeof one === 'string');
  const found = ['value', 'answer', 'response', 'values'].map((key) => given[key]).find((one) => one !== undefined);
  return typeof label === 'string' && found !== undefined ? { label, value: found } : null;
}

/** The values of a JSON text; null when it is none, or only a plain value. */
export function readJson(text: string): Entry[] | null {
  const trimmed = text.trim();
  if (!/^[[{]/.test(trimmed)) return null;
  let parsed: unknown;
  try {
    parsed = JSON.parse(trimmed);
  } catch {
    return null;
  }
  const entries: Entry[] = [];
  const put = (label: string, value: string, path: string[]) => {
    if (entries.length < MOST_ENTRIES) entries.push({ label, value, path });
  };
  const visit = (value: unknown, label: string, path: string[]): void => {
    if (value === null || value === undefined || path.length > 12) return;
    if (typeof value === 'boolean') put(label, value ? 'yes' : 'no', path);
    else if (typeof value !== 'object') put(label, String(value), path);
    else if (Array.isArray(value)) {
      if (value.every((one) => typeof one !== 'object')) put(label, value.map(String).join('; '), path);
      else value.forEach((one) => visit(one, label, path));
    } else {
      const pair = pairOf(value);
      if (pair) visit(pair.value, pair.label, path);
      else for (const [key, one] of Object.entries(value)) visit(one, key, label ? [...path, label] : path);
    }
  };
  visit(parsed, '', []);
  return entries;
}

/** The values of a form as it is sent over the web, `a=b&c=d`; null when a text is none. */
export function readPairs(text: string): Entry[] | null {
  if (!/^\s*[\w.[\]%-]+=[^\s&]*(?:&[\w.[\]%-]+=[^\s&]*)+\s*$/.test(text)) return null;
  return [...new URLSearchParams(text.trim())].slice(0, MOST_ENTRIES).map(([label, value]) => ({ label, value, path: [] }));
}

/** The values of an XML text: of elements that hold text alone, and of attributes where an element holds none. */
export function readXml(text: string): Entry[] {
  const entries: Entry[] = [];
  const visit = (element: Element, path: string[]): void => {
    if (entries.length >= MOST_ENTRIES || path.length > 20) return;
    const inside = element.children.filter(isTag);
    const words = element.children
      .filter(isText)
      .map(({ data }) => data)
      .join('')
      .trim();
    const name = element.name.replace(/^.*:/, '');
    /* `<phone type="mobile">`, `<name part="first">`, `<field name="email">`: what kind of thing it is. */
    const kind = ['part', 'type', 'kind', 'role', 'name', 'label', 'key'].flatMap((one) => element.attribs[one]?.trim() || []);
    if (!inside.length && words) entries.push({ label: [...kind, name].join(' '), value: words, path });
    else
      for (const [attribute, value] of Object.entries(element.attribs))
        if (!attribute.startsWith('xmlns')) entries.push({ label: `${name} ${attribute}`, value, path });
    for (const child of inside) visit(child, [...path, [...kind, name].join(' ')]);
  };
  for (const node of parseDocument(text, { xmlMode: true }).children) if (isTag(node)) visit(node, []);
  return entries;
}
