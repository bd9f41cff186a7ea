'use client';
/** The data as a whole: files in and out, duplicates, and every change of many with its way back. */
import { useState } from 'react';
import { ExportsDialog, History } from '../changes';
import { Button, LinkButton, Row } from '../kit';
import { Block } from './block';

export function Data() {
  const [exports, setExports] = useState(false);
  return (
    <>
      <Block
        title="Import and export"
        note="Bring contacts in from a file, get them out again, and merge those that are here twice."
      >
        <Row above={1}>
          <LinkButton href="/contacts/import">Import contacts</LinkButton>
          <Button onClick={() => setExports(true)}>Exports</Button>
          <LinkButton href="/contacts/duplicates">Find duplicates</LinkButton>
        </Row>
      </Block>
      <Block title="Change history" note="Undo reverses a bulk change. Anything edited since then stays as is.">
        <History />
      </Block>
      {exports && <ExportsDialog onClose={() => setExports(false)} />}
    </>
  );
}
