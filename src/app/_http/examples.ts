/** An example of a value for its JSON Schema, in words of the trade; a schema that has an example of its own is taken at its word. */
import { ownPattern } from '@/core/shared';

export interface JsonSchema {
  type?: string | string[];
  enum?: unknown[];
  const?: unknown;
  example?: unknown;
  examples?: unknown[];
  format?: string;
  contentMediaType?: string;
  pattern?: string;
  minimum?: number;
  minItems?: number;
  minLength?: number;
  maxLength?: number;
  default?: unknown;
  $ref?: string;
  anyOf?: JsonSchema[];
  oneOf?: JsonSchema[];
  allOf?: JsonSchema[];
  properties?: Record<string, JsonSchema>;
  required?: string[];
  items?: JsonSchema | JsonSchema[];
  prefixItems?: JsonSchema[];
  additionalProperties?: JsonSchema | boolean;
}

/** By the name of a property, or its end. */
const SAMPLES: [RegExp, string][] = [
  [/^first_names?$|^firstName$/, 'Oda'],
  [/^last_name$|^lastName$/, 'Fenn'],
  [/^emails?$|address$/, 'oda.fenn@example.com'],
  [/^phones?$|_phone$/, '(564) 555-0123'],
  [/^url$/, 'https://urraca.example/'],
  [/^street$/, '12 Alder Lane'],
  [/^city$|^town$/, 'Brindle'],
  [/^postal_code$/, '98199'],
  [/zone$/, 'America/Los_Angeles'],
  [/color$/, 'teal'],
  [/^where$/, '{"on":"stage","how":"any","of":["new"]}'],
  [/^stage$/, 'new'],
  [/^horizon$/, 'warm'],
  [/(^|_)ids?$/, '42'],
  [/^(q|name)$/, 'Oda Fenn'],
];
/** By the pattern that a text must have. */
const PATTERNED = ['42', '09:00', '2026-12-20', '12-20', '3-14', 'new-1', 'open-house'];
const DAY = '2026-12-20';
const INSTANT = `${DAY}T17:00:00.000Z`;

function textOf(schema: JsonSchema, name: string): string {
  if (schema.format === 'date-time') return INSTANT;
  if (schema.format === 'date') return DAY;
  const sample = SAMPLES.find(([pattern]) => pattern.test(name))?.[1];
  const pattern = schema.pattern ? ownPattern(schema.pattern.replace(/^\/|\/\w*$/g, ''), '') : null;
  const fits = (text: string) => !pattern || pattern.test(text);
  const text = [sample ?? 'Hello', ...PATTERNED].find(fits) ?? '';
  return schema.maxLength === undefined ? text : text.slice(0, schema.maxLength);
}

type Inside = (schema: JsonSchema, name?: string, ref?: string) => unknown;
type OfType = (schema: JsonSchema, name: string, inside: Inside, within: readonly string[]) => unknown;
const numberOf: OfType = (schema) => (typeof schema.default === 'number' ? schema.default : Math.max(1, schema.minimum ?? 1));

/** A value of each type. */
const OF_TYPE = new Map<unknown, OfType>([
  ['string', (schema, name) => textOf(schema, name)],
  ['integer', numberOf],
  ['number', numberOf],
  ['boolean', () => true],
  ['null', () => null],
  [
    'array',
    (schema, _name, inside, within) =>
      schema.prefixItems
        ? schema.prefixItems.map((one) => inside(one))
        : isWithin(listOf(schema)[0] ?? {}, within)
          ? []
          : listOf(schema).map((one) => inside(one)),
  ],
  [
    'object',
    (schema, _name, inside, within) =>
      Object.fromEntries(
        Object.entries(schema.properties ?? {})
          .filter(([key, one]) => schema.required?.includes(key) || !isWithin(one, within))
          .map(([key, one]) => [key, inside(one, key)]),
      ),
  ],
]);

/** What a schema says by itself; undefined where it has to be made up. */
const saidBy = ({ example, examples, const: only, enum: choices }: JsonSchema): unknown =>
  example ?? examples?.[0] ?? only ?? choices?.find((one) => one !== null && one !== '');

/** @param schema of the value @param components what `$ref` refers to, by the last part of it @param name of the property that has it */
export function exampleOf(
  schema: JsonSchema,
  components: Record<string, JsonSchema> = {},
  name = '',
  within: readonly string[] = [],
): unknown {
  if (schema.const === null) return null;
  const said = schema.$ref ? schema.example : saidBy(schema);
  if (said !== undefined) return said;
  const inside: Inside = (one, of = name, ref) => exampleOf(one, components, of, ref ? [...within, ref] : within);
  if (schema.$ref) {
    const ref = schema.$ref.split('/').at(-1)!;
    const known = components[ref];
    return known && !within.includes(ref) ? inside(known, name, ref) : {};
  }
  const ways = schema.properties ? undefined : (schema.anyOf ?? schema.oneOf);
  if (ways) return inside(ways.find((one) => !isNull(one) && !isWithin(one, within)) ?? ways.find(isNull) ?? ways[0]!);
  if (schema.allOf) return Object.assign({}, ...schema.allOf.map((one) => inside(one))) as unknown;
  const type = Array.isArray(schema.type) ? schema.type.find((one) => one !== 'null') : schema.type;
  return OF_TYPE.get(type)?.(schema, name, inside, within) ?? (type === 'null' ? null : {});
}

const isNull = (schema: JsonSchema): boolean => schema.type === 'null' || schema.const === null;
const isWithin = ({ $ref, items, anyOf }: JsonSchema, within: readonly string[]): boolean =>
  Boolean(
    ($ref && within.includes($ref.split('/').at(-1)!)) ||
    (items && !Array.isArray(items) && isWithin(items, within)) ||
    anyOf?.some((one) => isWithin(one, within)),
  );
function listOf({ items, minItems = 1 }: JsonSchema): JsonSchema[] {
  if (!items) return [];
  const one = Array.isArray(items) ? items[0]! : items;
  return Array.from({ length: Math.max(1, minItems) }, () => one);
}
