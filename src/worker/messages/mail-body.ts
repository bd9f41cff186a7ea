/** The two bodies of a mail: text, and HTML with its looks at each element; the ways to have no more at their end, and what lets us count opens and clicks of mails that went by themselves. */
import { htmlOfText, inert, mailPage } from '@/core/messages';
import { openToken, trackedLinks, type OutboxMessage } from '@/server/messages';
import { config } from '@/server/shared';

const HREF = /href="(https?:\/\/[^"]+)"/g;
const plain = (text: string): string =>
  text
    .replaceAll('&amp;', '&')
    .replaceAll('&quot;', '"')
    .replaceAll('&#39;', "'")
    .replaceAll('&lt;', '<')
    .replaceAll('&gt;', '>');

/** @param unsubscribeUrl where they say that they want no more; null for a mail by hand to somebody without an address of ours */
export async function htmlOf(message: OutboxMessage, unsubscribeUrl: string | null): Promise<string> {
  const { publicUrl } = config();
  let body = (message.html ?? htmlOfText(message.text)).replaceAll('src="/pictures/', `src="${publicUrl}/pictures/`);
  let point = '';
  if (message.automatic) {
    const urls = [...body.matchAll(HREF)].map(([, url]) => plain(url!));
    const tokens = urls.length ? await trackedLinks(message.contact.accountId, message.id, urls) : new Map<string, string>();
    body = body.replace(HREF, (whole, url: string) => {
      const token = tokens.get(plain(url));
      return token ? `href="${publicUrl}/l/${token}"` : whole;
    });
    point = `<img src="${publicUrl}/o/${openToken(message.id)}" alt="" width="1" height="1" style="display:block;border:0">`;
  }
  const small = "font-family:Figtree,-apple-system,'Segoe UI',Arial,sans-serif;font-size:13px;line-height:1.5;color:#5B6470";
  const out = unsubscribeUrl ? `<br><a href="${inert(unsubscribeUrl)}" style="color:#5B6470">Unsubscribe</a>` : '';
  const at = message.postalAddress ? `<br>${inert(message.postalAddress)}` : '';
  const ending = `<p style="margin:28px 0 0;padding-top:12px;border-top:1px solid #E3E1DB;${small}">${inert(message.agent.name)}, ${inert(message.brokerage)}${at}${out}</p>${point}`;
  return mailPage(body, ending);
}
