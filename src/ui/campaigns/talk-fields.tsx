'use client';
/** The questions of a conversation, in their order. */
import type { ConversationStep, Step } from '@/core/campaigns';
import { ASK_WORDS, DEFAULT_QUESTIONS, TALK_ASKS, type ConversationQuestion } from '@/core/conversations';
import type { FieldDef } from '@/core/segments';
import { NO_WORDS, useVocabulary } from '../primitives';
import { Button, Field, GrabHandle, Input, moved, Row, Select, Sortable, Text, useSortableItem } from '../kit';

export function TalkFields({
  step,
  readOnly,
  onChange,
}: {
  step: ConversationStep;
  readOnly: boolean;
  onChange: (step: Step) => void;
}) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const fields = vocabulary.fields.filter(({ kind }) => kind === 'text' || kind === 'flag');
  const put = (questions: ConversationQuestion[]) => onChange({ ...step, questions });
  const change = (at: number, next: ConversationQuestion) => put(step.questions.map((one, n) => (n === at ? next : one)));
  const free = TALK_ASKS.filter((asks) => !step.questions.some((one) => one.asks === asks));
  return (
    <>
      <Text as="p" tone="soft" small>
        It always says it’s an assistant. Anything it can’t understand, and anyone who asks for a person, goes straight to their
        agent.
      </Text>
      <Sortable
        id="questions"
        keys={step.questions.map(({ asks }) => asks)}
        nameOf={(asks) => ASK_WORDS[asks as ConversationQuestion['asks']]}
        onMove={(from, to) => put(moved(step.questions, from, to))}
      >
        {step.questions.map((question, at) => (
          <Question
            key={question.asks}
            question={question}
            at={at}
            fields={fields}
            readOnly={readOnly}
            onChange={(next) => change(at, next)}
            onRemove={() => put(step.questions.filter((_, n) => n !== at))}
          />
        ))}
      </Sortable>
      {!readOnly && free.length > 0 && (
        <Row above={1} role="group" aria-label="Add a question">
          {free.map((asks) => (
            <Button
              key={asks}
              size="tiny"
              onClick={() => put([...step.questions, { asks, words: DEFAULT_QUESTIONS[asks], fieldId: null }])}
            >
              ask {ASK_WORDS[asks]}
            </Button>
          ))}
        </Row>
      )}
    </>
  );
}

/** One question of a conversation: its words, where the answer is saved too, its place. */
function Question({
  question,
  at,
  fields,
  readOnly,
  onChange,
  onRemove,
}: {
  question: ConversationQuestion;
  at: number;
  fields: readonly FieldDef[];
  readOnly: boolean;
  onChange: (question: ConversationQuestion) => void;
  onRemove: () => void;
}) {
  const { item, handle } = useSortableItem(question.asks);
  return (
    <div {...item}>
      <Field label={`${at + 1}. Asks ${ASK_WORDS[question.asks]}`}>
        {(control) => (
          <Input
            {...control}
            width="100%"
            value={question.words}
            maxLength={300}
            onChange={(event) => onChange({ ...question, words: event.target.value })}
          />
        )}
      </Field>
      <Row ruled small>
        {!readOnly && <GrabHandle name={ASK_WORDS[question.asks]} handle={handle} />}
        {fields.length > 0 && (
          <label>
            also save to{' '}
            <Select
              aria-label={`The field for ${ASK_WORDS[question.asks]}`}
              value={question.fieldId ?? ''}
              onChange={(event) => onChange({ ...question, fieldId: event.target.value || null })}
            >
              <option value="">no field</option>
              {fields.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          </label>
        )}
        {!readOnly && (
          <Button size="tiny" aria-label={`Don’t ask ${ASK_WORDS[question.asks]}`} onClick={onRemove}>
            Remove
          </Button>
        )}
      </Row>
    </div>
  );
}
