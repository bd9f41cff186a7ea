'use client';
/** Emails of blocks: written as they will look, with headings, lists, links, pictures of one's own and buttons. */
import { useEffect, useImperativeHandle, useRef, useState, type Ref } from 'react';
import { EditorContent, useEditor, type Editor } from '@tiptap/react';
import { Node } from '@tiptap/core';
import Image from '@tiptap/extension-image';
import StarterKit from '@tiptap/starter-kit';
import type { MailDoc } from '@/core/messages';
import { sendPicture } from '../primitives';
import { Button, DocumentArea, EditorFrame, FileButton, Input, Row, Text, useToast } from '../kit';

const MailButton = Node.create({
  name: 'mailButton',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({ href: { default: 'https://' }, label: { default: 'Preview' } }),
  parseHTML: () => [{ tag: 'a[data-mail-button]' }],
  renderHTML: ({ node }) => [
    'a',
    { 'data-mail-button': '', class: 'mail-button', title: String(node.attrs.href) },
    String(node.attrs.label),
  ],
});
const Picture = Image.extend({
  addAttributes() {
    return {
      ...this.parent?.(),
      pictureId: {
        default: null,
        parseHTML: (element) => element.getAttribute('data-picture'),
        renderHTML: ({ pictureId }) => ({ 'data-picture': pictureId as string }),
      },
    };
  },
});
const EXTENSIONS = [
  StarterKit.configure({
    heading: { levels: [2, 3] },
    codeBlock: false,
    code: false,
    link: { openOnClick: false, autolink: true, protocols: ['http', 'https', 'mailto', 'tel'] },
  }),
  Picture,
  MailButton,
];

export interface MailEditorHandle {
  put: (text: string) => void;
  /** Chooses the first place where a text stands. */
  find: (text: string) => void;
}

export function MailEditor({
  doc,
  readOnly,
  onChange,
  ref,
}: {
  doc: MailDoc;
  readOnly: boolean;
  onChange: (doc: MailDoc) => void;
  ref?: Ref<MailEditorHandle>;
}) {
  const written = useRef(JSON.stringify(doc));
  const editor = useEditor({
    immediatelyRender: false,
    editable: !readOnly,
    extensions: EXTENSIONS,
    content: doc,
    editorProps: { attributes: { 'aria-label': 'Words', role: 'textbox', 'aria-multiline': 'true', 'data-document': '' } },
    onUpdate: ({ editor: one }) => {
      const next = one.getJSON() as MailDoc;
      written.current = JSON.stringify(next);
      onChange(next);
    },
  });
  /* What was undone outside, or taken from a template, is shown here too. */
  useEffect(() => {
    const next = JSON.stringify(doc);
    if (!editor || next === written.current) return;
    written.current = next;
    editor.commands.setContent(doc, { emitUpdate: false });
  }, [doc, editor]);
  useImperativeHandle(
    ref,
    () => ({
      put: (text) => editor?.chain().focus().insertContent(text).run(),
      find: (text) => editor && choose(editor, text),
    }),
    [editor],
  );
  if (!editor) return <DocumentArea aria-busy="true" />;
  return (
    <EditorFrame>
      {!readOnly && <Tools editor={editor} />}
      <DocumentArea>
        <EditorContent editor={editor} />
      </DocumentArea>
    </EditorFrame>
  );
}

function choose(editor: Editor, text: string): void {
  editor.state.doc.descendants((node, at) => {
    const from = node.isText ? (node.text ?? '').indexOf(text) : -1;
    if (from < 0) return true;
    editor
      .chain()
      .focus()
      .setTextSelection({ from: at + from, to: at + from + text.length })
      .scrollIntoView()
      .run();
    return false;
  });
}

/** What is asked for before something is put in. */
type Asking =
  | { what: 'link'; href: string }
  | { what: 'button'; href: string; label: string }
  | { what: 'picture'; src: string; pictureId: string; alt: string };

function Tools({ editor }: { editor: Editor }) {
  const toast = useToast();
  const [asking, setAsking] = useState<Asking | null>(null);
  const tool = (name: string, words: string, act: () => void) => (
    <Button size="tiny" pressed={editor.isActive(name)} onClick={act}>
      {words}
    </Button>
  );
  const chain = () => editor.chain().focus();
  const put = (asked: Asking) => {
    setAsking(null);
    if (asked.what === 'button')
      chain()
        .insertContent({ type: 'mailButton', attrs: { label: asked.label.trim(), href: asked.href.trim() } })
        .run();
    else if (asked.what === 'picture')
      chain()
        .insertContent({ type: 'image', attrs: { src: asked.src, pictureId: asked.pictureId, alt: asked.alt.trim() } })
        .run();
    else if (asked.href.trim()) chain().extendMarkRange('link').setLink({ href: asked.href.trim() }).run();
    else chain().extendMarkRange('link').unsetLink().run();
  };
  const picture = async (chosen: File) => {
    try {
      const { id, url } = await sendPicture(chosen);
      setAsking({ what: 'picture', src: url, pictureId: id, alt: '' });
    } catch (error) {
      toast.fail(error);
    }
  };
  return (
    <>
      <Row role="toolbar" aria-label="Formatting">
        {tool('heading', 'Heading', () => chain().toggleHeading({ level: 2 }).run())}
        {tool('bold', 'Bold', () => chain().toggleBold().run())}
        {tool('italic', 'Italic', () => chain().toggleItalic().run())}
        {tool('bulletList', 'List', () => chain().toggleBulletList().run())}
        {tool('orderedList', 'Numbered list', () => chain().toggleOrderedList().run())}
        {tool('blockquote', 'Quote', () => chain().toggleBlockquote().run())}
        {tool('link', 'Link', () =>
          setAsking({ what: 'link', href: (editor.getAttributes('link').href as string | undefined) ?? 'https://' }),
        )}
        {tool('mailButton', 'Button', () => setAsking({ what: 'button', href: 'https://', label: '' }))}
        {tool('horizontalRule', 'Line', () => chain().setHorizontalRule().run())}
        <FileButton
          size="tiny"
          label="Picture to insert"
          accept="image/png,image/jpeg,image/gif,image/webp"
          onFile={(chosen) => void picture(chosen)}
        >
          Picture
        </FileButton>
      </Row>
      {asking && <AskFor asking={asking} onChange={setAsking} onPut={put} onCancel={() => setAsking(null)} />}
    </>
  );
}

function AskFor({
  asking,
  onChange,
  onPut,
  onCancel,
}: {
  asking: Asking;
  onChange: (asking: Asking) => void;
  onPut: (asking: Asking) => void;
  onCancel: () => void;
}) {
  const field = (label: string, value: string, put: (value: string) => void, first = false) => (
    <Text as="label" small>
      {label}{' '}
      <Input
        autoFocus={first}
        value={value}
        onChange={(event) => put(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            onPut(asking);
          }
          if (event.key === 'Escape') onCancel();
        }}
      />
    </Text>
  );
  return (
    <Row data-asking="" role="group" aria-label={`The ${asking.what}`}>
      {asking.what === 'button' && field('Text', asking.label, (label) => onChange({ ...asking, label }), true)}
      {asking.what === 'picture'
        ? field('Description (shown when pictures don’t load)', asking.alt, (alt) => onChange({ ...asking, alt }), true)
        : field('Links to', asking.href, (href) => onChange({ ...asking, href }), asking.what === 'link')}
      <Button size="tiny" selected onClick={() => onPut(asking)}>
        {asking.what === 'link' && !asking.href.trim() ? 'No link' : 'Insert'}
      </Button>
      <Button size="tiny" onClick={onCancel}>
        Cancel
      </Button>
    </Row>
  );
}
