'use client';
/** How a page reaches people: its address, its QR code, and the lines that put a form into another site. */
import type { PageRow } from './list';
import './pages.css';
import { Button, LinkButton, useToast } from '../kit';

export function Sharing({ row }: { row: PageRow }) {
  const toast = useToast();
  const copy = (words: string, told: string) => () =>
    void navigator.clipboard.writeText(words).then(
      () => toast.tell(told),
      () => toast.tell('Couldn’t copy. Select it and copy it yourself.'),
    );
  const frame = `<iframe src="${row.url}/embed" title="${row.name.replaceAll('"', '')}" style="width:100%;height:680px;border:0"></iframe>`;
  return (
    <fieldset className="said-of">
      <legend>Share</legend>
      <div className="sharing">
        {/* eslint-disable-next-line @next/next/no-img-element -- an SVG of our own, drawn once */}
        <img src={`/p/${row.slug}/qr`} alt={`QR code of ${row.url}`} width={132} height={132} />
        <div style={{ minWidth: 0 }}>
          <code style={{ overflowWrap: 'anywhere' }}>{row.url}</code>
          <div className="beside" style={{ marginTop: 6 }}>
            <Button size="tiny" onClick={copy(row.url, 'Address copied.')}>
              Copy address
            </Button>
            <LinkButton size="tiny" href={`/p/${row.slug}/qr`} download={`${row.slug}.svg`}>
              Download QR code
            </LinkButton>
            {row.page.kind === 'form' && (
              <Button size="tiny" onClick={copy(frame, 'Code copied. Paste it where the form should appear.')}>
                Copy embed code
              </Button>
            )}
          </div>
          {row.page.kind === 'form' && <pre className="raw small">{frame}</pre>}
        </div>
      </div>
    </fieldset>
  );
}
