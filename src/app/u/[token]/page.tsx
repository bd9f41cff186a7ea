/** The unsubscribe link of a mail: shows whose list it is, and takes the address off by one button, so that a link checker takes nobody off. */
import type { Metadata } from 'next';
import { orNotFound } from '@/app/_http/page';
import { findUnsubscribe } from '@/server/messages';

export const metadata: Metadata = { title: 'No more e-mails', robots: { index: false } };

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const point = await orNotFound(findUnsubscribe(token));
  return (
    <main className="public">
      <h1>{point.withdrawn ? 'Done: no more e-mails' : 'No more e-mails?'}</h1>
      <p style={{ margin: '12px 0 20px' }}>
        {point.withdrawn ? (
          <>
            {point.brokerage} does not write to <b>{point.value}</b> any more.
          </>
        ) : (
          <>
            {point.brokerage} will not write to <b>{point.value}</b> again.
          </>
        )}
      </p>
      {!point.withdrawn && (
        <form method="post" action={`/u/${token}`}>
          <input type="hidden" name="List-Unsubscribe" value="One-Click" />
          <input type="hidden" name="page" value="1" />
          <button type="submit" className="act main">
            Take me off the list
          </button>
        </form>
      )}
    </main>
  );
}
