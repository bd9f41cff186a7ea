'use client';
/** What the checks say of words, each with its reason and a jump to its place; and every wording that variants make. */
import { CHANNELS } from '@/core/contacts';
import { useState } from 'react';
import { countVariants, longestParts, readings, type Checked, type Finding } from '@/core/messages';
import { useFormat } from '../primitives';
import { Button, FindingList, Heading, Panel, Row, Stack, Text } from '../kit';

const PARTS = { subject: 'subject', text: 'words', plain: 'plain version' } as const;

export function Findings({ findings, onJump }: { findings: readonly Finding[]; onJump: (finding: Finding) => void }) {
  if (!findings.length)
    return (
      <Text as="p" tone="good" small>
        No problems found.
      </Text>
    );
  const errors = findings.filter(({ level }) => level === 'error').length;
  return (
    <FindingList aria-label="Checks">
      <Heading>
        {errors > 0 && (
          <Text tone="late">
            {errors === 1 ? '1 error to fix before you can use it' : `${errors} errors to fix before you can use it`}
          </Text>
        )}
        {errors > 0 && findings.length > errors && ' · '}
        {findings.length > errors && `${findings.length - errors} to consider`}
      </Heading>
      <ul>
        {findings.map((finding, at) => (
          <li key={at} data-level={finding.level}>
            <details>
              <summary>
                <span data-sign="" aria-hidden="true">
                  {finding.level === 'error' ? '×' : '!'}
                </span>
                <span>
                  {finding.message}{' '}
                  <Text tone="soft" small>
                    {PARTS[finding.part]}
                  </Text>
                </span>
                {finding.at && (
                  <Button
                    size="tiny"
                    aria-label={`Go to: ${finding.message}`}
                    onClick={(event) => {
                      event.preventDefault();
                      onJump(finding);
                    }}
                  >
                    Go to it
                  </Button>
                )}
              </summary>
              <Text as="p" tone="soft" small>
                {finding.because}
              </Text>
            </details>
          </li>
        ))}
      </ul>
    </FindingList>
  );
}

/** The parts that a text takes, and every wording when there are several. */
export function Wordings({ checked }: { checked: Checked }) {
  const format = useFormat();
  const [open, setOpen] = useState(false);
  const { words, channel } = checked;
  const { hasSubject, isInParts } = CHANNELS[channel];
  const count = countVariants(words.text) * (hasSubject ? countVariants(words.subject ?? '') : 1);
  const parts = isInParts ? longestParts(words.text) : null;
  if (count === 1 && !parts) return null;
  return (
    <div>
      <Row as="span" small above={1}>
        {parts && (
          <Text tone="soft">
            {parts.parts === 1 ? 'one part' : `${parts.parts} parts`}, {parts.units} of{' '}
            {parts.alphabet === 'GSM-7' ? (parts.parts > 1 ? parts.parts * 153 : 160) : parts.parts > 1 ? parts.parts * 67 : 70}{' '}
            characters
          </Text>
        )}
        {count > 1 && (
          <Button size="tiny" aria-expanded={open} onClick={() => setOpen(!open)}>
            {format.number(count)} wordings
          </Button>
        )}
      </Row>
      {open && <AllWordings checked={checked} />}
    </div>
  );
}

const SHOWN = 60;
function AllWordings({ checked }: { checked: Checked }) {
  const format = useFormat();
  return readings(checked)
    .filter(({ count }) => count > 1)
    .map(({ part, count, sample, whole }) => {
      const wrong = sample.filter(({ slips }) => slips.length).length;
      return (
        <Panel as="section" key={part} aria-label={`Wordings of the ${PARTS[part]}`} pad={3}>
          <Stack scroll={280}>
            <Heading>
              {PARTS[part]}: {format.number(count)}
              {!whole && `, the first ${format.number(sample.length)} checked`}
              {wrong > 0 && <Text tone="late"> · {format.count(wrong, 'reads wrong', 'read wrong')}</Text>}
            </Heading>
            <ol>
              {sample.slice(0, SHOWN).map(({ text, slips }, at) => (
                <li key={at}>
                  {text}
                  {slips.length > 0 && (
                    <Text tone="late" small>
                      {' '}
                      {slips.map(({ what }) => what).join(', ')}
                    </Text>
                  )}
                </li>
              ))}
            </ol>
            {sample.length > SHOWN && (
              <Text as="p" tone="soft" small>
                and {format.number(count - SHOWN)} more
              </Text>
            )}
          </Stack>
        </Panel>
      );
    });
}
