'use client';
/** Writing the words of a message: its parts, fields and variants put in where the cursor is, files along, and what the checks say meanwhile. */
import { useDeferredValue, useMemo, useRef } from 'react';
import dynamic from 'next/dynamic';
import { CHANNELS, type Channel } from '@/core/contacts';
import { checkWords, docOfText, MERGE_FIELD_NAMES, textOfDoc, type Finding, type MessagePart, type Words } from '@/core/messages';
import { sendFile } from '../primitives';
import { othersOf, useOwnFields, useTemplates } from './fields';
import { Findings, Wordings } from './findings';
import type { MailEditorHandle } from './mail-editor';
import {
  BareButton,
  Button,
  Chip,
  Disclosure,
  DocumentArea,
  Field,
  FileButton,
  Input,
  Row,
  Stack,
  Textarea,
  useToast,
} from '../kit';

const MailEditor = dynamic(() => import('./mail-editor').then((one) => one.MailEditor), {
  ssr: false,
  loading: () => <DocumentArea aria-busy="true" />,
});

/** @param templateId of the template that these are the words of, which is not compared with itself */
export function WordsEditor({
  channel,
  words,
  templateId = null,
  readOnly = false,
  onChange,
}: {
  channel: Channel;
  words: Words;
  templateId?: string | null;
  readOnly?: boolean;
  onChange: (words: Words) => void;
}) {
  const own = useOwnFields();
  const { data: templates = [] } = useTemplates();
  const boxes = useRef<Partial<Record<MessagePart, Box | null>>>({});
  const mail = useRef<MailEditorHandle | null>(null);
  const last = useRef<MessagePart>('text');
  const { hasSubject, hasBlocks, isTask } = CHANNELS[channel];
  const late = useDeferredValue(words);
  const findings = useMemo(
    () => checkWords({ channel, words: late, fields: own }, othersOf(templates, channel, templateId)),
    [channel, late, own, templates, templateId],
  );
  const set = (part: MessagePart, value: string) => onChange({ ...words, [part]: value });
  const put = (text: string) => {
    const part = last.current;
    if (part === 'text' && words.doc) return mail.current?.put(text);
    const box = boxes.current[part];
    const value = part === 'subject' ? (words.subject ?? '') : words[part];
    const [from, to] = box
      ? [box.selectionStart ?? value.length, box.selectionEnd ?? value.length]
      : [value.length, value.length];
    set(part, value.slice(0, from) + text + value.slice(to));
    requestAnimationFrame(() => {
      box?.focus();
      box?.setSelectionRange(from + text.length, from + text.length);
    });
    return undefined;
  };
  const jump = ({ part, at }: Finding) => {
    if (part === 'text' && words.doc) return at && mail.current?.find(words.text.slice(at.from, at.to));
    const box = boxes.current[part];
    box?.focus();
    if (at) box?.setSelectionRange(at.from, at.to);
    return undefined;
  };
  const box = (part: MessagePart, label: string, value: string, rows: number | null) => (
    <WordsBox
      label={label}
      value={value}
      rows={rows}
      onChange={(next) => set(part, next)}
      onFocus={() => (last.current = part)}
      onBox={(element) => (boxes.current[part] = element)}
    />
  );
  return (
    <Stack gap={3}>
      {hasSubject && box('subject', 'Subject', words.subject ?? '', null)}
      {words.doc ? (
        <div onFocus={() => (last.current = 'text')}>
          <MailEditor
            ref={mail}
            doc={words.doc}
            readOnly={readOnly}
            onChange={(doc) => onChange({ ...words, doc, text: textOfDoc(doc) })}
          />
        </div>
      ) : (
        box('text', isTask ? 'Talking points' : 'Words', words.text, hasSubject ? 8 : 3)
      )}
      {!readOnly && (
        <Disclosure>
          <summary>Insert</summary>
          <Row above={1} role="group" aria-label="Insert a field">
            {[
              ...MERGE_FIELD_NAMES.map((name) => [name, name.replaceAll('_', ' ')]),
              ...own.map((name) => [`field.${name}`, name]),
            ].map(([field, name]) => (
              <Button key={field} size="tiny" onClick={() => put(`{{ ${field} }}`)}>
                {name}
              </Button>
            ))}
          </Row>
          <Row above={1} role="group" aria-label="Insert wording">
            <Button size="tiny" onClick={() => put('{one wording|another}')} title="Each contact gets one of them">
              variants
            </Button>
            <Button size="tiny" onClick={() => put('{{ city | default: "the coast" }}')}>
              field with a default
            </Button>
            <Button size="tiny" onClick={() => put('{% if city %}in {{ city }}{% else %}here{% endif %}')}>
              only if known
            </Button>
            <Button
              size="tiny"
              onClick={() => put('{% if team %}we{% else %}I{% endif %}')}
              title="“we” for a team, “I” for a solo agent"
            >
              we or I
            </Button>
          </Row>
        </Disclosure>
      )}
      <Wordings checked={{ channel, words: late, fields: own }} />
      {box('plain', 'Plain version, used when a field is unknown', words.plain, 2)}
      {hasBlocks && <Along words={words} readOnly={readOnly} onChange={onChange} />}
      <Findings findings={findings} onJump={jump} />
    </Stack>
  );
}

type Box = HTMLInputElement | HTMLTextAreaElement;
/** One part of the words; `rows` for those of several lines. */
function WordsBox({
  label,
  value,
  rows,
  onChange,
  onFocus,
  onBox,
}: {
  label: string;
  value: string;
  rows: number | null;
  onChange: (value: string) => void;
  onFocus: () => void;
  onBox: (element: Box | null) => void;
}) {
  const takeBox = (element: Box | null) => onBox(element);
  const put = (event: { target: Box }) => onChange(event.target.value);
  return (
    <Field label={label}>
      {(control) =>
        rows === null ? (
          <Input {...control} ref={takeBox} width="100%" spellCheck value={value} onChange={put} onFocus={onFocus} />
        ) : (
          <Textarea {...control} ref={takeBox} rows={rows} spellCheck value={value} onChange={put} onFocus={onFocus} />
        )
      }
    </Field>
  );
}

/** Whether the e-mail is of blocks, and the files that go with it. */
function Along({ words, readOnly, onChange }: { words: Words; readOnly: boolean; onChange: (words: Words) => void }) {
  const toast = useToast();
  const files = words.files ?? [];
  const add = async (file: File) => {
    try {
      const uploaded = await sendFile('POST /files', file, { query: { name: file.name } });
      onChange({ ...words, files: [...files, uploaded] });
    } catch (error) {
      toast.fail(error);
    }
  };
  if (readOnly && !files.length) return null;
  return (
    <Row above={1}>
      {!readOnly && (
        <Button
          size="tiny"
          pressed={Boolean(words.doc)}
          onClick={() => onChange({ ...words, doc: words.doc ? null : docOfText(words.text) })}
        >
          Rich layout: headings, pictures, and buttons
        </Button>
      )}
      {files.map((file) => (
        <Chip key={file.id}>
          {file.name}{' '}
          {!readOnly && (
            <BareButton
              aria-label={`Remove ${file.name}`}
              onClick={() => onChange({ ...words, files: files.filter(({ id }) => id !== file.id) })}
            >
              ×
            </BareButton>
          )}
        </Chip>
      ))}
      {!readOnly && (
        <FileButton size="tiny" onFile={(file) => void add(file)}>
          Attach file
        </FileButton>
      )}
    </Row>
  );
}
