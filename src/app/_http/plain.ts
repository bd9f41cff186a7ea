/** Small pages for people who are not logged in, without any script: what happened, and perhaps one button. */
const SIGNS: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
export const asHtml = (text: string): string => text.replace(/[&<>"]/g, (sign) => SIGNS[sign]!);

/** @param more HTML below the words, made by us */
export const plainPage = (status: number, heading: string, words: string, more = ''): Response =>
  new Response(
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><meta name="robots" content="noindex"><title>${asHtml(heading)}</title><body style="font:17px/26px system-ui;color:#14171c;background:#fbfaf7;max-width:36em;margin:15vh auto;padding:0 20px"><main><h1 style="font-size:28px;line-height:34px">${asHtml(heading)}</h1><p style="overflow-wrap:anywhere">${asHtml(words)}</p>${more}</main></body></html>`,
    { status, headers: { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' } },
  );

/** A form of one button that posts to where it stands. */
export const oneButton = (label: string, fields: Record<string, string>): string =>
  `<form method="post">${Object.entries(fields)
    .map(([name, value]) => `<input type="hidden" name="${asHtml(name)}" value="${asHtml(value)}">`)
    .join(
      '',
    )}<button style="font:inherit;padding:10px 18px;border:0;border-radius:6px;background:#0b6b7f;color:#fff;cursor:pointer">${asHtml(label)}</button></form>`;
