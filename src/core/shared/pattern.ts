/**
 * Regular expressions that hold text from outside. Whatever a person or a program wrote is escaped here, so that it only ever stands
 * for itself; a lint rule forbids `new RegExp` in functions everywhere else.
 */

/** Text as an expression that matches just this text. */
export const escapePattern = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&');

/**
 * An expression with values from outside in it: texts stand for themselves, expressions for what they match.
 * @example textPattern('iu')`^hello ${name}$`
 */
export const textPattern =
  (flags: string) =>
  ({ raw }: TemplateStringsArray, ...values: (string | RegExp)[]): RegExp =>
    new RegExp(raw.map((part, n) => part + (n < values.length ? sourceOf(values[n]!) : '')).join(''), flags);
const sourceOf = (value: string | RegExp): string => (typeof value === 'string' ? escapePattern(value) : `(?:${value.source})`);

/** One of several expressions, the first that fits. */
export const anyPattern = (patterns: readonly RegExp[], flags: string): RegExp =>
  new RegExp(patterns.map(({ source }) => `(?:${source})`).join('|'), flags);

/** An expression made of words of ours, constants of the code: never of anything from outside, which `textPattern` is for. */
export const ownPattern = (source: string, flags: string): RegExp => new RegExp(source, flags);
