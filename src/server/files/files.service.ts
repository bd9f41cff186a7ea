/** The account's own storage: pictures that anybody may see, and files that go along with e-mails. What a file is, its first bytes say and not its name. */
import { accountOf, type Principal } from '@/core/accounts';
import { oneLine } from '@/core/capture';
import type { AttachedFile } from '@/core/messages';
import { AppError, notFound } from '@/core/shared';
import { now, reader, transact, type RowOf, type Tx } from '../shared';
import { filesTable } from './files.model';
import { picturesTable } from './pictures.model';

type Signature = [type: string, signs: number[], from?: number];
const PICTURES: Signature[] = [
  ['image/png', [0x89, 0x50, 0x4e, 0x47]],
  ['image/jpeg', [0xff, 0xd8, 0xff]],
  ['image/gif', [0x47, 0x49, 0x46, 0x38]],
  ['image/webp', [0x57, 0x45, 0x42, 0x50], 8],
];
const PAPERS: Signature[] = [
  ['application/pdf', [0x25, 0x50, 0x44, 0x46, 0x2d]],
  ['application/zip', [0x50, 0x4b, 0x03, 0x04]],
];
/** Papers that are archives inside, by the end of their name. An archive of any other name is none of ours to send. */
const OF_ARCHIVE: Record<string, string> = {
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  pptx: 'application/vnd.openxmlformats-officedocument.presentationml.presentation',
  odt: 'application/vnd.oasis.opendocument.text',
  ods: 'application/vnd.oasis.opendocument.spreadsheet',
};
const OF_TEXT: Record<string, string> = { txt: 'text/plain', csv: 'text/csv', ics: 'text/calendar', vcf: 'text/vcard' };

const MOST_PICTURE = 3_000_000;
export const MOST_FILE = 10_000_000;

const signed = (bytes: Buffer, all: Signature[]): string | null =>
  all.find(([, signs, from = 0]) => signs.every((sign, at) => bytes[from + at] === sign))?.[0] ?? null;
const mayKeep = (principal: Principal): void => {
  if (principal.kind === 'user' && principal.user.role === 'lender')
    throw new AppError('not_allowed', 'Lenders can’t upload files.');
};
const tooLarge = (what: string, most: number) =>
  new AppError('body_too_large', `The ${what} is larger than ${most / 1_000_000} MB. Make it smaller and try again.`);
const invalid = (what: string, message: string) =>
  new AppError('input_invalid', `The ${what} wasn’t saved.`, { fields: [{ field: 'file', message }] });
const by = (principal: Principal): string | null => (principal.kind === 'user' ? principal.user.id : null);

/** Keeps a picture for public pages and e-mails. @throws AppError input_invalid, body_too_large, not_allowed */
export async function savePicture(principal: Principal, bytes: Buffer): Promise<{ id: string; url: string }> {
  mayKeep(principal);
  if (bytes.length > MOST_PICTURE) throw tooLarge('picture', MOST_PICTURE);
  const type = signed(bytes, PICTURES);
  if (!type) throw invalid('picture', 'is not a PNG, JPEG, GIF, or WebP picture');
  const { id } = await transact(async (tx) =>
    picturesTable.insert({ account_id: accountOf(principal), type, bytes, made_by: by(principal), made_at: await now(tx) }, tx),
  );
  return { id, url: `/pictures/${id}` };
}

/** A picture as it is shown to everybody. @throws AppError not_found */
export async function readPicture(id: string): Promise<{ type: string; bytes: Buffer }> {
  const row = await picturesTable.find({ id });
  if (!row) throw notFound('picture');
  return { type: row.type, bytes: row.bytes };
}

/** What a file is, by its bytes and, where those leave it open, by the end of its name; null for what is not sent. */
function typeOf(name: string, bytes: Buffer): string | null {
  const end = name.slice(name.lastIndexOf('.') + 1).toLowerCase();
  const type = signed(bytes, [...PICTURES, ...PAPERS]);
  if (type === 'application/zip') return OF_ARCHIVE[end] ?? null;
  if (type) return type;
  const text = OF_TEXT[end];
  return text && !bytes.subarray(0, 4_000).includes(0) ? text : null;
}

/** Keeps a file that goes along with e-mails. @throws AppError input_invalid, body_too_large, not_allowed */
export async function saveFile(principal: Principal, given: string, bytes: Buffer): Promise<AttachedFile> {
  mayKeep(principal);
  if (bytes.length > MOST_FILE) throw tooLarge('file', MOST_FILE);
  const name =
    oneLine(given)
      .replace(/[\\/:*?"<>|]/g, '-')
      .slice(0, 120) || 'file';
  const type = typeOf(name, bytes);
  if (!bytes.length) throw invalid('file', 'is empty');
  if (!type) throw invalid('file', 'can’t be attached. Use PDF, images, text, spreadsheets, or documents');
  const { id } = await transact(async (tx) =>
    filesTable.insert(
      { account_id: accountOf(principal), name, type, bytes, made_by: by(principal), made_at: await now(tx) },
      tx,
    ),
  );
  return { id, name, bytes: bytes.length };
}

export type SavedFile = Pick<RowOf<typeof filesTable>, 'id' | 'name' | 'type' | 'bytes'>;
/** Files of an account by their ids; those that are gone are left out. */
export const readFiles = (accountId: string, ids: readonly string[], tx: Tx = reader()): Promise<SavedFile[]> =>
  ids.length
    ? tx.rows<SavedFile>('select id, name, type, bytes from files where account_id = $1 and id = any($2::bigint[]) order by id', [
        accountId,
        [...ids],
      ])
    : Promise.resolve([]);

/** Whether the files and pictures that words name are all there. @returns those that are not, as words */
export async function missingFiles(
  tx: Tx,
  accountId: string,
  files: readonly string[],
  pictures: readonly string[],
): Promise<string[]> {
  const found = await tx.first<{ files: number; pictures: number }>(
    `select (select count(*)::int from files where account_id = $1 and id = any($2::bigint[])) as files, (select count(*)::int from pictures where account_id = $1 and id = any($3::bigint[])) as pictures`,
    [accountId, [...files], [...pictures]],
  );
  return [
    ...(found!.files < new Set(files).size ? ['an attachment was deleted'] : []),
    ...(found!.pictures < new Set(pictures).size ? ['a picture was deleted'] : []),
  ];
}
