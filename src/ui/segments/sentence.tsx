'use client';
/** The segment as a sentence: every marked part opens where it stands, and “and …” adds to it. */
import { useRef, useState } from 'react';
import {
  asSentence,
  besides,
  EVERYBODY,
  firstQuestion,
  piecesOf,
  replaceAt,
  treeAt,
  isCondition,
  negated,
  subjectOf,
  type Subject,
  type Tree,
} from '@/core/segments';
import type { About } from './subject-picker';
import { KeysAhead, lazily, nameIn, NO_WORDS, useFormat, useVocabulary } from '../primitives';
import { Button, Joint, Popup, SaidButton } from '../kit';

const SubjectPicker = lazily(
  () => import('./subject-picker').then((one) => one.SubjectPicker),
  () => <KeysAhead />,
);
const ConditionEditor = lazily(() => import('./condition-editor').then((one) => one.ConditionEditor));
const GroupEditor = lazily(() => import('./group-editor').then((one) => one.GroupEditor));

const JOINTS = new Set([' and ', ' or ']);
type Opened = { anchor: HTMLElement; path: number[] | null; adding: 'all' | 'any' } | null;

/** What is written shows at once; the address, which carries the question, follows a moment later. */
export function Sentence({
  tree: current,
  about = 'people',
  label = 'Filter',
  onChange: save,
}: {
  tree: Tree;
  about?: About;
  label?: string;
  onChange: (tree: Tree) => void;
}) {
  const [ahead, setAhead] = useState<{ of: Tree; tree: Tree } | null>(null);
  const tree = ahead?.of === current ? ahead.tree : current;
  const onChange = (next: Tree) => {
    setAhead({ of: current, tree: next });
    save(next);
  };
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const format = useFormat();
  const [opened, setOpened] = useState<Opened>(null);
  const pieces = piecesOf(tree, nameIn(vocabulary), vocabulary.fields, format);
  const adder = useRef<HTMLButtonElement>(null);
  /* The part that was opened may be gone by now: the focus goes to where the next one is added. */
  const close = () => {
    setOpened(null);
    requestAnimationFrame(() => document.activeElement === document.body && adder.current?.focus());
  };
  const add = (subject: Subject) => {
    if (!opened) return;
    const root = asSentence(tree);
    const question = firstQuestion(subject);
    if (opened.path === null || opened.path.length === 0) {
      onChange({ all: [...root.all, question] });
      setOpened({ ...opened, path: [root.all.length] });
      return;
    }
    const next = besides(root, opened.path, opened.adding, question);
    onChange(next);
    close();
  };
  const chosen = opened?.path ? treeAt(asSentence(tree), opened.path) : null;
  return (
    <div role="group" aria-label={label}>
      {pieces.map((piece, n) =>
        piece.path && (piece.mark || piece.text === '(') ? (
          <SaidButton
            key={n}
            gone={piece.gone}
            onClick={(event) => setOpened({ anchor: event.currentTarget, path: piece.path!, adding: 'all' })}
          >
            {piece.text}
          </SaidButton>
        ) : JOINTS.has(piece.text) ? (
          <Joint key={n} or={piece.text === ' or '}>
            {piece.text === ' or ' ? 'or' : piece.text}
          </Joint>
        ) : (
          <span key={n}>{piece.text}</span>
        ),
      )}{' '}
      <Button
        ref={adder}
        look="text"
        title="Add a condition (f)"
        data-add-condition=""
        onClick={(event) => setOpened({ anchor: event.currentTarget, path: null, adding: 'all' })}
      >
        {tree === EVERYBODY || asSentence(tree).all.length === 0 ? 'who…' : 'and…'}
      </Button>
      <Popup anchor={opened?.anchor ?? null} label="Condition" onClose={close}>
        {opened && opened.path === null && <SubjectPicker fields={vocabulary.fields} about={about} onPick={add} />}
        {opened?.path && chosen && isCondition(chosen) && (
          <ConditionEditor
            key={opened.path.join('.')}
            condition={chosen}
            subject={subjectOf(chosen.on, vocabulary.fields)}
            vocabulary={vocabulary}
            about={about}
            onChange={(condition) => onChange(replaceAt(asSentence(tree), opened.path!, condition) ?? EVERYBODY)}
            onRemove={() => {
              onChange(replaceAt(asSentence(tree), opened.path!, null) ?? EVERYBODY);
              close();
            }}
            onNegate={() => {
              onChange(negated(asSentence(tree), opened.path!));
              close();
            }}
            onOr={(subject) => {
              onChange(besides(asSentence(tree), opened.path!, 'any', firstQuestion(subject)));
              close();
            }}
            onClose={close}
          />
        )}
        {opened?.path && chosen && !isCondition(chosen) && (
          <GroupEditor
            group={chosen}
            fields={vocabulary.fields}
            about={about}
            onChange={(group) => {
              onChange(replaceAt(asSentence(tree), opened.path!, group) ?? EVERYBODY);
              close();
            }}
          />
        )}
      </Popup>
    </div>
  );
}
