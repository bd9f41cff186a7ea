/**
 * Every shortcut there is, by the scope in which it is heard: its keys and what it does. The help is made from it. In a scope a key means one
 * thing; where scopes overlap, the one that stands first here hears it.
 */
import { AREAS } from '@/core/accounts';
import { NAMED_OUTCOMES } from '@/core/calling';

/** Keys, several parted by a comma, and what they do. A word without keys of its own belongs to the one before. */
type Shortcut = readonly [keys: string, does: string];

const digits = (count: number): Record<string, Shortcut> =>
  Object.fromEntries(
    Array.from({ length: count }, (_, at) => [`choice${at + 1}`, [String(at + 1), `Choice ${at + 1}`] as const]),
  );

export const SHORTCUTS = {
  /** A call under way, and the choices that follow it. */
  call: {
    hangUp: ['h', 'Hang up'],
    ...Object.fromEntries(NAMED_OUTCOMES.map(({ name }, at) => [`outcome${at + 1}`, [String(at + 1), name] as const])),
    accept: ['enter', 'Save with the outcome as heard'],
  },
  /** A few choices that stand open in the dossier. */
  choices: { ...digits(5), close: ['escape', 'Close'] },
  /** A lead on offer. */
  offer: { take: ['a', 'Take the offered lead'] },
  dossier: {
    call: ['c', 'Call'],
    text: ['t', 'Text'],
    email: ['e', 'Email'],
    letter: ['m', 'Letter'],
    note: ['o', 'Note'],
    nextTouch: ['s', 'Set the next touch'],
    edit: ['d', 'Edit contact'],
    close: ['escape', 'Close the contact'],
  },
  /** Contacts that are selected. */
  selection: { tags: ['shift+#,#', 'Add or remove tags'] },
  pair: {
    merge: ['enter', 'Merge the two'],
    different: ['x', 'They’re different people'],
    household: ['h', 'Same household'],
    skip: ['s', 'Skip this pair for now'],
  },
  inbox: { read: ['r', 'Mark read or unread'] },
  list: {
    next: ['j,arrowdown', 'Next'],
    previous: ['k,arrowup', 'Previous'],
    open: ['enter', 'Open; once more for the full page'],
    pageDown: ['pagedown', 'Down a page'],
    pageUp: ['pageup', 'Up a page'],
    first: ['home', 'First'],
    last: ['end', 'Last loaded'],
  },
  /** The grid of contacts, beside what every list has. */
  grid: {
    select: ['x', 'Select or unselect'],
    selectDown: ['shift+arrowdown', 'Select the next too'],
    selectUp: ['shift+arrowup', 'Select the previous too'],
    selectAll: ['shift+a', 'Select everyone in the list'],
    selectNone: ['shift+x', 'Clear the selection'],
    stage: ['shift+s', 'Change the stage'],
    horizon: ['shift+h', 'Change the horizon'],
    tags: ['shift+t', 'Add a tag'],
    nextTouch: ['s', 'Set the next touch'],
    filter: ['f', 'Add a filter'],
    history: ['h', 'History of changes'],
  },
  page: {
    search: ['/', 'Search and commands'],
    add: ['n', 'Add a lead'],
    help: ['shift+?,?', 'Shortcuts'],
    undo: ['z', 'Undo, while its notice is there'],
    mask: ['shift+m', 'Blur phone numbers and emails'],
  },
} as const satisfies Record<string, Record<string, Shortcut>>;

export type ShortcutScope = keyof typeof SHORTCUTS;
/** From the most urgent on. */
export const SCOPES = Object.keys(SHORTCUTS) as ShortcutScope[];

const SCOPE_NAMES: Record<ShortcutScope, string | null> = {
  page: 'Everywhere',
  list: 'In lists',
  grid: 'In Contacts',
  selection: null,
  dossier: 'With a contact open',
  call: 'During and after a call',
  choices: null,
  offer: 'With a lead on offer',
  inbox: 'In the Inbox',
  pair: 'In Duplicates',
};
const shown = (keys: string): string =>
  keys
    .split(',')
    .map((key) => key.replace('shift+?', '?').replace('shift+#', '#'))
    .filter((key, at, all) => all.indexOf(key) === at)
    .map((key) =>
      key
        .split('+')
        .map((part, at) => KEY_NAMES[part] ?? (at > 0 ? part.toUpperCase() : part))
        .join('+'),
    )
    .join(', ');
const KEY_NAMES: Record<string, string> = {
  shift: 'Shift',
  enter: 'Enter',
  escape: 'Esc',
  arrowdown: '↓',
  arrowup: '↑',
  pagedown: 'Page Down',
  pageup: 'Page Up',
  home: 'Home',
  end: 'End',
};

/** All of them in groups, as the help shows them: keys and what they do. */
export function shortcutGroups(): { name: string; keys: [string, string][] }[] {
  const order: ShortcutScope[] = ['page', 'list', 'grid', 'dossier', 'call', 'offer', 'inbox', 'pair'];
  return order.map((scope) => ({
    name: SCOPE_NAMES[scope]!,
    keys: [
      ...Object.values<Shortcut>(SHORTCUTS[scope]).map(([keys, does]): [string, string] => [shown(keys), does]),
      ...(scope === 'page' ? AREAS.map(({ letter, name }): [string, string] => [`g ${letter}`, `Go to ${name}`]) : []),
      ...(scope === 'dossier' ? ([['Ctrl+Enter', 'Send, or save the note']] as [string, string][]) : []),
    ],
  }));
}
