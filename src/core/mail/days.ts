/** Days by which people move, as mails name them in several languages. */

/** The months by name, without accents. */
const MONTHS = [
  'january januar januari janvier enero gennaio janeiro stycznia styczen',
  'february februar februari fevrier febrero febbraio fevereiro lutego luty',
  'march marz maart mars marzo marco marts marca',
  'april avril abril aprile kwietnia',
  'may mai mei mayo maggio maio maj maja',
  'june juni juin junio giugno junho czerwca',
  'july juli juillet julio luglio julho lipca',
  'august augustus aout agosto augusti sierpnia',
  'september septembre septiembre settembre setembro wrzesnia',
  'october oktober octobre octubre ottobre outubro pazdziernika',
  'november novembre noviembre novembro listopada',
  'december dezember desember decembre diciembre dicembre dezembro grudnia',
].map((names) => names.split(' '));
/** The number of a month, by its name or the first letters of it; 0 for any other word. */
export function monthOf(name: string): number {
  const plain = name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
  return (
    MONTHS.findIndex((names) =>
      names.some((one) => one === plain || (plain.length >= 3 && plain.length <= 4 && one.startsWith(plain))),
    ) + 1
  );
}

const MOVING =
  /\b(?:mov(?:e|es|ing)|relocat\p{L}*|lease|furnished|out of|rent(?:al)?|louer|be there|settled|start(?:s|ing)?|transfer\p{L}*|in by|in before|umzug|umziehen|einzug|einziehen|ziehen|mud\p{L}*|traslad\p{L}*|emménag\p{L}*|déménag\p{L}*|trasfer\p{L}*|affitt\p{L}*|verhui\p{L}*|miete\p{L}*|alquil\p{L}*|loc(?:ation|ataire)|huren|ab dem|à partir du|a partir del?|vanaf)\b/iu;
/** The day by which somebody says that they move: of all days named only one of a sentence that speaks of it. */
export function movingDayIn(text: string, now: Date | null): string | undefined {
  const sentences = text.split(/(?<=[!?\n])|(?<=\p{Ll}\.)\s+/u).filter((sentence) => MOVING.test(sentence));
  const first = (day: (text: string, now: Date | null) => string | undefined) =>
    sentences.map((sentence) => day(sentence, now)).find((one) => one !== undefined);
  return first(dayIn) ?? first(monthIn);
}

/** A month without a year, as a value or behind a word for the time: `from January`. */
const BARE_MONTH =
  /^\s*(\p{L}{3,12})\s*$|\b(?:from|by|in|starting|beginning|before|ab|im|desde|en|a partir de|à partir de|da|a partire da|vanaf|fra|från|od)\s+(?:early |mid-? ?|late )?(\p{Lu}\p{L}{2,12})(?!\p{L}| \d)/u;
/** A day on which somebody moves, as far as the words say it. @param now the day of the mail, for words without a year */
export function dayIn(text: string, now: Date | null): string | undefined {
  const iso = /\b(20\d\d)-(\d\d)-(\d\d)\b/.exec(text);
  if (iso) return iso[0];
  const two = (n: number) => String(n).padStart(2, '0');
  const dayFirst = /\b(\d{1,2})(?:\.|er|º)?\s+(?:de\s+)?(\p{L}{3,12})\.?,?\s+(?:del?\s+)?(20\d\d)\b/u.exec(text);
  if (dayFirst && monthOf(dayFirst[2]!)) return `${dayFirst[3]}-${two(monthOf(dayFirst[2]!))}-${two(Number(dayFirst[1]))}`;
  const monthFirst = /\b(\p{L}{3,12})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(20\d\d)\b/u.exec(text);
  if (monthFirst && monthOf(monthFirst[1]!))
    return `${monthFirst[3]}-${two(monthOf(monthFirst[1]!))}-${two(Number(monthFirst[2]))}`;
  const monthOnly = /(?<![\p{L}\d])(\p{L}{3,12})\.?,?\s+(?:del?\s+)?(20\d\d)\b/u.exec(text);
  if (monthOnly && monthOf(monthOnly[1]!)) return `${monthOnly[2]}-${two(monthOf(monthOnly[1]!))}`;
  const [, a, sign, b, year] = /\b(\d{1,2})([./])(\d{1,2})\2(20\d\d)\b/.exec(text) ?? [];
  if (year) {
    /* With strokes the month comes first, as here, unless it cannot be one; with points the day does. */
    const [month, day] = sign === '/' && Number(a) <= 12 ? [Number(a), Number(b)] : [Number(b), Number(a)];
    if (month >= 1 && month <= 12 && day >= 1 && day <= 31) return `${year}-${two(month)}-${two(day)}`;
  }
  const end = /\bend of (\p{L}+)/iu.exec(text);
  const wanted = end && now ? monthOf(end[1]!) : 0;
  if (wanted) {
    const year = now!.getUTCFullYear() + (wanted < now!.getUTCMonth() + 1 ? 1 : 0);
    return `${year}-${two(wanted)}-${two(new Date(Date.UTC(year, wanted, 0)).getUTCDate())}`;
  }
  return undefined;
}

/** The next month of a name that stands without its year. */
export function monthIn(text: string, now: Date | null): string | undefined {
  const [, alone, behind] = BARE_MONTH.exec(text) ?? [];
  const month = monthOf(alone ?? behind ?? '');
  if (!now || !month) return undefined;
  return `${now.getUTCFullYear() + (month < now.getUTCMonth() + 1 ? 1 : 0)}-${String(month).padStart(2, '0')}`;
}
