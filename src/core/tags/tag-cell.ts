/** How a tag stands in a file beside others. */

/** A tag in a cell with others, so that it is read as the one it is. */
export const tagCell = (tag: string): string =>
  /[;,|\n"]/.test(tag) || tag.startsWith('#') ? `"${tag.replaceAll('"', '""')}"` : tag;
