/** Sending a finished file to whoever asked for it: attached while a mailbox takes it, else as a link that asks for a login. */
import { formatNumber } from '@/core/format';
import { FILE_NAMES, FILE_TYPES } from '@/core/exports';
import { saveMailed, readFile, readMailing } from '@/server/exports';
import { config } from '@/server/shared';
import { sendOfficeMail } from '../shared/office-mail';
import type { Providers } from '../shared/providers';

/** Most mail servers refuse more. */
const MOST_ATTACHED = 10_000_000;

export async function mailExport(exportId: string, outside: Providers): Promise<void> {
  const mailing = await readMailing(exportId);
  if (!mailing) return;
  const { format, bytes, done, person, name, at } = mailing;
  const attached = bytes <= MOST_ATTACHED;
  const link = `${config().publicUrl}/api/v1/exports/${exportId}/file`;
  const what = `${formatNumber(done)} ${done === 1 ? 'person' : 'people'}`;
  const answer = await sendOfficeMail(outside, {
    accountId: mailing.accountId,
    key: `export-${exportId}`,
    fromName: 'Urraca',
    to: { name: person.name, address: person.email },
    subject: `${name ?? 'Your file'}: ${what}`,
    text: attached
      ? `Here’s the file you requested: ${what}.\n\nIt holds people's addresses and numbers. Delete it when you no longer need it.\n`
      : `Your file is ready: ${what}. It is too large for a mail.\n\nFetch it within a week, logged in: ${link}\n`,
    at,
    ...(attached
      ? { attachments: [{ name: FILE_NAMES[format], type: FILE_TYPES[format], content: await readFile(exportId) }] }
      : {}),
  });
  await saveMailed(exportId, answer.result === 'accepted' ? null : (answer.error ?? 'refused'));
  if (answer.result === 'later') throw new Error(answer.error ?? 'tried again by the queue');
}
