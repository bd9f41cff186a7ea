/**
 * The ways to reach a contact. An entry says all that differs between them: where it reaches somebody, what it needs, what the guardrails
 * hold it to, how long its words may be, how people call it. Nothing else branches by channel but who hands a message over
 * (`worker/messages/hand-over.ts`). docs/ARCHITECTURE.md says how one is added.
 */

/** What a channel needs to reach somebody: a contact point, or the place where they receive mail. */
export const ADDRESS_KINDS = {
  phone: { name: 'phone number' },
  email: { name: 'email address' },
  mailing: { name: 'complete mailing address' },
} as const;
/** A kind of address. */
export type AddressKind = keyof typeof ADDRESS_KINDS;

/** What is said of a channel. */
export interface ChannelEntry {
  /** As in “a text”, “texts” and “no more texts”; and what words for it are called where they are kept. */
  name: string;
  plural: string;
  template: string;
  /** As in “may be texted”, and in the heading “OK to text”. */
  toBe: string;
  toDo: string;
  /** Its glyph, drawn in a square of 16. */
  glyph: string;
  address: AddressKind;
  /** A campaign makes a task of it, which a person carries out and answers for. */
  isTask: boolean;
  /** What goes by itself needs a recorded yes; without, it goes unless they said no. */
  needsYes: boolean;
  /** The do-not-call registry holds it. */
  heedsRegistry: boolean;
  /** It reaches them at once: quiet hours, holidays and a call under way hold it. */
  isInstant: boolean;
  /** It counts for the caps of what goes by itself, and they hold it. */
  isCapped: boolean;
  /** The setting that says how many hours lie between two of them. */
  gap: 'textGapHours' | null;
  /** What a holiday put off does not go on one day with another. */
  isOnceAfterHoliday: boolean;
  /** The first one to somebody says who writes and how to have no more. */
  namesSender: boolean;
  /** The brokerage's mailing address stands in it, by law. */
  needsPostalAddress: boolean;
  /** One goes to all of a household together. */
  isForHousehold: boolean;
  /** What one costs: a setting of the account. */
  price: 'letterCents' | null;
  /** So many of a broadcast go in a minute, unless it says otherwise; null for what no broadcast goes by. */
  perMinute: number | null;
  hasSubject: boolean;
  /** It may be made of blocks, and files go along. */
  hasBlocks: boolean;
  /** It is paid for in parts of so many signs. */
  isInParts: boolean;
  /** Carriers and mailboxes sort out what reads like an advertisement. */
  isFiltered: boolean;
  /** Opens and followed links of it are counted. */
  isTracked: boolean;
  /** A print house makes it, or we do, and the post takes it. */
  isPrinted: boolean;
  mostCharacters: number;
  whyNotLonger: string;
  /** What is shown when it was sent by hand. */
  sent: string;
  /** Why a campaign that stops when they answer has stopped. */
  answered: string;
  /** As what a preview shows it. */
  preview: 'phone' | 'mailbox' | 'paper' | 'script';
  /** Which facts of a contact count it. */
  facts: { out: `${string}Out`; in: `${string}In` | null } | null;
  /** The words of a new one. */
  first: { subject?: string; text: string; plain: string };
  /** How people call it: in labels of a mail (several languages), in headings of a file, in an answer. Where words fit several, the lowest rank is meant. */
  rank: number;
  calledInLabels: string;
  calledInHeadings: RegExp;
  calledInAnswers: RegExp;
}

/** What is said of each channel, in the order in which they are shown. */
export const CHANNELS = {
  call: {
    name: 'call',
    plural: 'calls',
    template: 'call script',
    toBe: 'be called',
    toDo: 'call',
    glyph:
      'M4 2.5l2.2-.6 1.6 3.4-1.5 1.3c.7 1.5 1.9 2.7 3.4 3.4l1.3-1.5 3.4 1.6-.6 2.2c-.2.8-.9 1.2-1.7 1.2C6.6 13.500 2.800 9.600 2.800 4.200c0-.8.4-1.500 1.200-1.700z',
    address: 'phone',
    isTask: true,
    needsYes: false,
    heedsRegistry: true,
    isInstant: true,
    isCapped: false,
    gap: null,
    isOnceAfterHoliday: false,
    namesSender: false,
    needsPostalAddress: false,
    isForHousehold: false,
    price: null,
    perMinute: null,
    hasSubject: false,
    hasBlocks: false,
    isInParts: false,
    isFiltered: false,
    isTracked: false,
    isPrinted: false,
    mostCharacters: 4_000,
    whyNotLonger: 'That’s more than anyone can read during a call.',
    sent: 'Sent.',
    answered: 'they had a phone conversation',
    preview: 'script',
    facts: null,
    first: { text: 'Ask how they’re doing and when they’re hoping to move.', plain: 'Ask how they’re doing.' },
    rank: 3,
    calledInLabels:
      'calls?|call ?back|called|calling|voice|ruckrufe?|rappel|rufen|ruf|anzurufen|phones?|telephone|telefon\\p{L}*|llam\\p{L}*|appel\\p{L}*|anrufe?\\p{L}*|chiamate|bellen|ring|ringe|ligar|ligue\\p{L}*|telefonar|arayabilir|ligacoes',
    calledInHeadings: /\b(?:call|calls|calling|called|phone|telephone)\b/,
    calledInAnswers: /\b(?:phone )?call(?:s|ing)?\b|\bphon(?:e|ing)\b(?! number)|\bring(?:ing)?\b|\bllam\p{L}*/u,
  },
  text: {
    name: 'text',
    plural: 'texts',
    template: 'text',
    toBe: 'be texted',
    toDo: 'text',
    glyph: 'M2.500 3h11v7.500h-6l-3 2.800v-2.800h-2z',
    address: 'phone',
    isTask: false,
    needsYes: true,
    heedsRegistry: false,
    isInstant: true,
    isCapped: true,
    gap: 'textGapHours',
    isOnceAfterHoliday: false,
    namesSender: true,
    needsPostalAddress: false,
    isForHousehold: false,
    price: null,
    perMinute: 60,
    hasSubject: false,
    hasBlocks: false,
    isInParts: true,
    isFiltered: true,
    isTracked: false,
    isPrinted: false,
    mostCharacters: 1_600,
    whyNotLonger: 'Carriers cut off or reject longer texts.',
    sent: 'Sent.',
    answered: 'they replied by text',
    preview: 'phone',
    facts: { out: 'textsOut', in: 'textsIn' },
    first: {
      text: "Hi {{ first_name }}, it's {{ agent_first_name }} with {{ brokerage }}. Reply STOP to opt out.",
      plain: "Hi, it's {{ agent_first_name }} with {{ brokerage }}. Reply STOP to opt out.",
    },
    rank: 1,
    calledInLabels:
      'texts?|text messages?|texted|texting|sms|mms|mensajes? de texto|textnachrichten|texto|messaggi|tekstberichten|berichtjes',
    calledInHeadings: /\b(?:text|texts|texting|texted|sms)\b/,
    calledInAnswers: /\bte?xt(?:s|ing|in)?\b|\btxt(?:s|ing)?\b|\bsms\b|\btextos\b/,
  },
  email: {
    name: 'email',
    plural: 'emails',
    template: 'email',
    toBe: 'be emailed',
    toDo: 'email',
    glyph: 'M2 3.500h12v9H2zM2 4l6 4.800L14 4',
    address: 'email',
    isTask: false,
    needsYes: false,
    heedsRegistry: false,
    isInstant: true,
    isCapped: true,
    gap: null,
    isOnceAfterHoliday: true,
    namesSender: false,
    needsPostalAddress: true,
    isForHousehold: false,
    price: null,
    perMinute: 600,
    hasSubject: true,
    hasBlocks: true,
    isInParts: false,
    isFiltered: true,
    isTracked: true,
    isPrinted: false,
    mostCharacters: 50_000,
    whyNotLonger: 'Longer ones get cut off.',
    sent: 'Sent.',
    answered: 'they replied by email',
    preview: 'mailbox',
    facts: { out: 'emailsOut', in: 'emailsIn' },
    first: {
      subject: 'A note from {{ brokerage }}',
      text: 'Hello {{ first_name }},\n\n\n\n{{ agent_signature }}',
      plain: 'Hello,\n\n\n\n{{ agent_signature }}',
    },
    rank: 2,
    calledInLabels:
      'e ?-?mails?|e mails?|emailed|correo(?: electronico)?|courriels?|newsletters?|posta elettronica|epost|e-post|mails?',
    calledInHeadings: /\bemails?\b|\bnewsletter/,
    calledInAnswers: /\be ?mail(?:s|ing)?\b|\bcorreos?\b/,
  },
  letter: {
    name: 'letter',
    plural: 'letters',
    template: 'letter',
    toBe: 'be sent letters',
    toDo: 'send letters',
    glyph: 'M3.500 1.800h6.300l2.700 2.700v9.700h-9zM5.500 6.500h5M5.500 8.800h5M5.500 11.100h3',
    address: 'mailing',
    isTask: false,
    needsYes: false,
    heedsRegistry: false,
    isInstant: false,
    isCapped: true,
    gap: null,
    isOnceAfterHoliday: false,
    namesSender: false,
    needsPostalAddress: false,
    isForHousehold: true,
    price: 'letterCents',
    perMinute: 1_000,
    hasSubject: true,
    hasBlocks: false,
    isInParts: false,
    isFiltered: false,
    isTracked: false,
    isPrinted: true,
    mostCharacters: 6_000,
    whyNotLonger: 'Longer ones get cut off.',
    sent: 'Sent to print.',
    answered: 'they replied by letter',
    preview: 'paper',
    facts: { out: 'lettersOut', in: null },
    first: {
      subject: 'A letter',
      text: 'Dear {{ first_names }},\n\n\n\n{{ agent_signature }}',
      plain: 'Hello,\n\n\n\n{{ agent_signature }}',
    },
    rank: 4,
    calledInLabels: 'letters?|post|briefe?|cartas?|courrier|lettere|brieven',
    calledInHeadings: /\b(?:letters?|post|postal|mail|mailing|mailings|direct mail|write letters)\b/,
    calledInAnswers: /\bletters?\b|\bpostcards?\b|\bcartas\b/,
  },
} as const satisfies Record<string, ChannelEntry>;

/** A way to reach a contact. */
export type Channel = keyof typeof CHANNELS;
type With<Part extends Partial<ChannelEntry>> = {
  [C in Channel]: (typeof CHANNELS)[C] extends Part ? C : never;
}[Channel];
/** A channel by which we send: it goes out by the outbox, to one person or to many. */
export type SendChannel = With<{ isTask: false }>;

export const CHANNEL_KEYS = Object.keys(CHANNELS) as Channel[];
export const SEND_CHANNELS = CHANNEL_KEYS.filter((channel): channel is SendChannel => !CHANNELS[channel].isTask);
/** The channels that reach somebody by an address of a kind. */
export const channelsTo = (kind: AddressKind): Channel[] => CHANNEL_KEYS.filter((channel) => CHANNELS[channel].address === kind);
/** One value for each channel. */
export const byChannel = <T>(value: (channel: Channel) => T): Record<Channel, T> =>
  Object.fromEntries(CHANNEL_KEYS.map((channel) => [channel, value(channel)])) as Record<Channel, T>;
/** The channel that words name: that of the lowest rank whose pattern fits. */
export const channelNamed = (text: string, pattern: (channel: Channel) => RegExp): Channel | null =>
  [...CHANNEL_KEYS].sort((a, b) => CHANNELS[a].rank - CHANNELS[b].rank).find((channel) => pattern(channel).test(text)) ?? null;
