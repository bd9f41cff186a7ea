'use client';
/** A mail as it came: what one marks in it can be given a meaning. */
import { useRef, useState } from 'react';
import type { ExtractedField } from '@/core/mail';
import { highlight } from './highlight';
import { Button, RawText, Row, Text } from '../kit';

export type MailField = 'first_name' | 'last_name' | 'emails' | 'phones' | 'message';
/** What a marked text may be, and the fields that it fills. */
export const MEANINGS: [ExtractedField, string, MailField[]][] = [
  ['name', 'Full name', ['first_name', 'last_name']],
  ['first_name', 'First name', ['first_name']],
  ['last_name', 'Last name', ['last_name']],
  ['email', 'Email', ['emails']],
  ['phone', 'Phone', ['phones']],
  ['message', 'Their message', ['message']],
];

export function Marking({
  body,
  known,
  onMark,
}: {
  body: string;
  known: string[];
  onMark: (field: ExtractedField, text: string) => void;
}) {
  const words = useRef<HTMLPreElement>(null);
  const [marked, setMarked] = useState('');
  const look = () => {
    const selection = window.getSelection();
    const inside = selection?.anchorNode && words.current?.contains(selection.anchorNode);
    setMarked(inside ? selection.toString().trim() : '');
  };
  return (
    <div>
      <RawText dir="auto" ref={words} onMouseUp={look} onKeyUp={look} tabIndex={0} aria-label="Original email">
        {highlight(
          body,
          known.filter((one) => one.length > 1),
        )}
      </RawText>
      <Row above={1} role="group" aria-label="What the selected text is">
        {marked ? (
          <>
            <Text small>“{marked.length > 30 ? `${marked.slice(0, 30)}…` : marked}” is</Text>
            {MEANINGS.map(([field, name]) => (
              <Button
                key={field}
                size="tiny"
                onClick={() => {
                  onMark(field, marked);
                  setMarked('');
                }}
              >
                {name}
              </Button>
            ))}
          </>
        ) : (
          <Text tone="soft" small>
            Select text to say what it is.
          </Text>
        )}
      </Row>
    </div>
  );
}
