'use client';
/** How a page reaches people: its address, its QR code, and the lines that put a form into another site. */
import type { PageRow } from './list';
import { Button, FieldGroup, LinkButton, RawText, Row, Stack, useToast } from '../kit';

export function Sharing({ row }: { row: PageRow }) {
  const toast = useToast();
  const copy = (words: string, told: string) => () =>
    void navigator.clipboard.writeText(words).then(
      () => toast.tell(told),
      () => toast.tell('Couldn’t copy. Select it and copy it yourself.'),
    );
  const frame = `<iframe src="${row.url}/embed" title="${row.name.replaceAll('"', '')}" style="width:100%;height:680px;border:0"></iframe>`;
  return (
    <FieldGroup>
      <legend>Share</legend>
      <Row gap={3.5} align="start" wrap={false}>
        {/* eslint-disable-next-line @next/next/no-img-element -- an SVG of our own, drawn once */}
        <img src={`/p/${row.slug}/qr`} alt={`QR code of ${row.url}`} width={132} height={132} />
        <Stack>
          <code>{row.url}</code>
          <Row above={1.5}>
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
          </Row>
          {row.page.kind === 'form' && <RawText>{frame}</RawText>}
        </Stack>
      </Row>
    </FieldGroup>
  );
}
