/** How names are written in running text, as parts of regular expressions: words with a capital, and between them what names hold. */

export const CAP = "\\p{Lu}[\\p{L}'’-]*";
export const NAME = `(${CAP}(?:\\s+(?:(?:van|von|der|den|de|da|di|du|del|la|le|af|ten|ter|bin|al|el)\\s+)*${CAP}){0,3})`;
/** A name that stands on one line. */
export const NAME_ON_LINE = NAME.replaceAll('\\s+', '[ \\t]+');
