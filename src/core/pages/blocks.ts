/**
 * What a public page is made of. An entry says what a block is called, where it may stand, what can be said of it and as what it begins:
 * its type, its schema and its form in the editor follow from it; `ui/pages/public/document.ts` says how it looks to a visitor.
 */
export const PAGE_KINDS = ['form', 'sign_in', 'search'] as const;
/** What a public page is for. */
export type PageKind = (typeof PAGE_KINDS)[number];

/** What a form may ask for. A first name and one way to reach the visitor are always asked. */
export const FORM_FIELDS = ['last_name', 'email', 'phone', 'role', 'city', 'message', 'agent'] as const;
/** A field of a public form. */
export type FormField = (typeof FORM_FIELDS)[number];

/** What stands in a field of a block, by the kind of the field. */
export interface BlockValues {
  /** A line of words, and several. */
  line: string;
  words: string;
  /** A picture that was sent, somebody of ours, a home on the market, by their ids or number. */
  picture: string | null;
  user: string | null;
  listing: string | null;
  /** What a form asks for. */
  asks: FormField[];
}
/** The kind of a field of a block. */
export type BlockFieldKind = keyof BlockValues;
/** What can be said of a block, of whatever kind it is. */
export type BlockFieldDef = {
  [K in BlockFieldKind]: {
    is: K;
    /** Beside the control. */
    label: string;
    /** The most characters of words. */
    most?: number;
    /** What a new block says; `{brokerage}` stands for its name. */
    first: BlockValues[K];
    /** What is wrong when nothing is said. */
    empty?: string;
  };
}[BlockFieldKind];

/** What is said of a kind of blocks. */
export interface BlockEntry {
  name: string;
  /** On which pages it may stand, and on which it must. */
  on: readonly PageKind[];
  neededOn: readonly PageKind[];
  /** A page has one at most. */
  isSingle: boolean;
  fields: Record<string, BlockFieldDef>;
  /** What the editor says of a block of which nothing can be said. */
  hint?: string;
}

/** In the order in which they are offered. */
export const BLOCKS = {
  heading: {
    name: 'heading',
    on: PAGE_KINDS,
    neededOn: [],
    isSingle: false,
    fields: {
      text: { is: 'line', label: 'Heading text', most: 200, first: 'Heading', empty: 'The heading is empty.' },
    },
  },
  text: {
    name: 'text',
    on: PAGE_KINDS,
    neededOn: [],
    isSingle: false,
    fields: { text: { is: 'words', label: 'Words', most: 6_000, first: 'Your text here.', empty: 'The text is empty.' } },
  },
  picture: {
    name: 'picture',
    on: PAGE_KINDS,
    neededOn: [],
    isSingle: false,
    fields: {
      picture_id: { is: 'picture', label: 'Choose a picture', first: null },
      alt: { is: 'line', label: 'What the picture shows', most: 300, first: '' },
    },
  },
  listing: {
    name: 'listing',
    on: ['form', 'sign_in'],
    neededOn: [],
    isSingle: false,
    fields: { number: { is: 'listing', label: 'Which home', first: null } },
  },
  homes: {
    name: 'list of homes',
    on: ['search'],
    neededOn: ['search'],
    isSingle: true,
    fields: {},
    hint: 'The homes from this search, with filters and a map.',
  },
  form: {
    name: 'form',
    on: PAGE_KINDS,
    neededOn: PAGE_KINDS,
    isSingle: true,
    fields: {
      asks: { is: 'asks', label: 'What the form asks for', first: ['last_name', 'email', 'phone', 'message'] },
      button: { is: 'line', label: 'Button text', most: 60, first: 'Send', empty: 'The button text is empty.' },
      thanks: {
        is: 'line',
        label: 'Thank-you message',
        most: 600,
        first: 'Thank you. An agent has your question and will be in touch soon.',
      },
    },
  },
  agent: {
    name: 'agent',
    on: PAGE_KINDS,
    neededOn: [],
    isSingle: false,
    fields: { user_id: { is: 'user', label: 'Who', first: null } },
  },
  footer: {
    name: 'legal footer',
    on: PAGE_KINDS,
    neededOn: PAGE_KINDS,
    isSingle: true,
    fields: {
      text: {
        is: 'words',
        label: 'Legal footer text',
        most: 3_000,
        first: '{brokerage}. Equal Housing Opportunity.',
        empty: 'The legal footer is empty.',
      },
    },
  },
} as const satisfies Record<string, BlockEntry>;

/** The kind of a block. */
export type BlockKind = keyof typeof BLOCKS;
type FieldsOf<K extends BlockKind> = (typeof BLOCKS)[K]['fields'];
type Kinds<Fields> = {
  -readonly [F in keyof Fields]: Fields[F] extends { is: infer Is extends BlockFieldKind } ? BlockValues[Is] : never;
};
/** A block of a kind. */
export type BlockOf<K extends BlockKind> = K extends BlockKind ? { id: string; kind: K } & Kinds<FieldsOf<K>> : never;
/** A block of a public page. */
export type Block = BlockOf<BlockKind>;

export const BLOCK_KINDS = Object.keys(BLOCKS) as BlockKind[];
export const entryOf = (kind: BlockKind): BlockEntry => BLOCKS[kind];
/** What can be said of a kind of blocks, by the names of its fields. */
export const blockFields = (kind: BlockKind): [string, BlockFieldDef][] => Object.entries(entryOf(kind).fields);
/** What stands in a field of a block. */
export const blockValue = (block: Block, field: string): BlockValues[BlockFieldKind] =>
  (block as unknown as Record<string, BlockValues[BlockFieldKind]>)[field]!;

/** A block as it begins. @param id unlike that of any other block of the page */
export function newBlock<K extends BlockKind>(kind: K, id: string, brokerage = ''): BlockOf<K> {
  const said = blockFields(kind).map(([field, { first }]) => [
    field,
    typeof first === 'string'
      ? first.replace('{brokerage}', brokerage).trim()
      : first && Array.isArray(first)
        ? [...first]
        : first,
  ]);
  return { id, kind, ...Object.fromEntries(said) } as BlockOf<K>;
}

/** All pictures, people or homes that the blocks of a page name. */
export const namedIn = (blocks: readonly Block[], kind: 'picture' | 'user' | 'listing'): string[] =>
  blocks.flatMap((block) =>
    blockFields(block.kind).flatMap(([field, { is }]) => {
      const value = is === kind ? blockValue(block, field) : null;
      return typeof value === 'string' && value ? [value] : [];
    }),
  );
