/** How names are written in running text, as parts of regular expressions: words with a capital, and between them what names hold. */

/** Whole words, so that a search does not begin and end anew at each letter of a long one. */
export const CAP = "(?<!\\p{L})\\p{Lu}[\\p{L}'’-]*(?!\\p{L})";
export const NAME = `(${CAP}(?:\\s+(?:(?:van|von|der|den|de|da|di|du|del|la|le|af|ten|ter|bin|al|el)\\s+)*${CAP}){0,3})`;
/** A name that stands on one line. */
export const NAME_ON_LINE = NAME.replaceAll('\\s+', '[ \\t]+');
