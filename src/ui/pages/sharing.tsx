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
      () => toast.tell('It could not be copied; mark it and copy it by hand.'),
    );
  const frame = `<iframe src="${row.url}/embed" title="${row.name.replaceAll('"', '')}" style="width:100%;height:680px;border:0"></iframe>`;
  return (
    <fieldset className="said-of">
      <legend>Share it</legend>
      <div className="sharing">
        {/* eslint-disable-next-line @next/next/no-img-element -- an SVG of our own, drawn once */}
        <img src={`/p/${row.slug}/qr`} alt={`QR code of ${row.url}`} width={132} height={132} />
        <div style={{ minWidth: 0 }}>
          <code style={{ overflowWrap: 'anywhere' }}>{row.url}</code>
          <div className="beside" style={{ marginTop: 6 }}>
            <Button size="tiny" onClick={copy(row.url, 'The address is copied.')}>
              Copy the address
            </Button>
            <LinkButton size="tiny" href={`/p/${row.slug}/qr`} download={`${row.slug}.svg`}>
              QR code as a file
            </LinkButton>
            {row.page.kind === 'form' && (
              <Button size="tiny" onClick={copy(frame, 'The lines are copied. Put them where the form shall stand.')}>
                Copy the lines for another site
              </Button>
            )}
          </div>
          {row.page.kind === 'form' && <pre className="raw small">{frame}</pre>}
        </div>
      </div>
    </fieldset>
  );
}
