/** Words that every sentence needs. */

/** `choir, garden and rowing club`; empty for none. @param last what stands before the last one */
export const listed = (names: readonly string[], last = 'and'): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} ${last} ${names.at(-1)}`;
