/** Handing a message that somebody tries on themselves to its provider. Letters and call scripts go to their mailbox, the letter as its page. */
import { CHANNELS, type Channel } from '@/core/contacts';
import { htmlOfText, mailPage } from '@/core/messages';
import { findUser, brokerageName } from '@/server/accounts';
import { readFiles } from '@/server/files';
import { config, now } from '@/server/shared';
import { capitalized, type Jobs } from '@/core/shared';
import type { Providers } from '../shared/providers';
import { sendOfficeMail } from '../shared/office-mail';
import { renderLetter } from './letter';

export async function handTrial({ trial }: Jobs['messages.try'], outside: Providers): Promise<void> {
  const user = await findUser(trial.userId);
  if (!user) return;
  const name = `${user.firstName} ${user.lastName}`;
  const brokerage = await brokerageName(user.accountId);
  const { preview, template } = CHANNELS[trial.channel as Channel];
  if (preview === 'phone') {
    if (!user.phone) return;
    const answer = await outside.sms.send({ key: trial.key, from: user.phone, to: user.phone, body: trial.text });
    if (answer.result === 'later') throw new Error(answer.error);
    return;
  }
  const { publicUrl } = config();
  const at = await now();
  const files = await readFiles(user.accountId, trial.files);
  const letter =
    preview === 'paper'
      ? await renderLetter({
          brokerage,
          agent: name,
          name,
          address: '1 Trial Lane, Quillhaven 98701',
          text: trial.text,
          at,
          timeZone: user.timeZone,
        })
      : null;
  const html = trial.html ?? htmlOfText(trial.text);
  const answer = await sendOfficeMail(outside, {
    accountId: user.accountId,
    key: trial.key,
    fromName: `${name}, ${brokerage}`,
    to: { name, address: user.email },
    subject: trial.subject ?? capitalized(template),
    text: trial.text,
    html: mailPage(html.replaceAll('src="/pictures/', `src="${publicUrl}/pictures/`), ''),
    at,
    attachments: [
      ...files.map(({ name: file, type, bytes }) => ({ name: file, type, content: bytes })),
      ...(letter ? [{ name: 'letter.pdf', type: 'application/pdf', content: letter }] : []),
    ],
  });
  if (answer.result === 'later') throw new Error(answer.error);
}
