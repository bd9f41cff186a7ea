'use client';
/** One template: its words with their checks, as a real person will see them, and what each of its variants brought. */
import { capitalized } from '@/core/shared';
import { useRouter } from 'next/navigation';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CHANNELS } from '@/core/contacts';
import { chanceOf, type VariantView } from '@/core/messages';
import { ask, freshKey, useUndoHistory, useFormat } from '../primitives';
import type { Template } from './fields';
import { Preview } from './preview';
import { Rate } from './rates';
import { WordsEditor } from './words-editor';
import {
  Button,
  ErrorMessage,
  Heading,
  HistoryButtons,
  Input,
  LinkButton,
  Panel,
  Row,
  Split,
  SplitSide,
  Stack,
  Text,
  UnsavedNotice,
  useToast,
  LimitField,
} from '../kit';

type InFull = Template & { variants: VariantView[] };

/** What of a template is written here. */
const editedOf = ({ name, words, day_cap }: Template) => ({ name, words, day_cap });

export function TemplateEditor({ first }: { first: InFull }) {
  const format = useFormat();
  const { data: template } = useQuery({
    queryKey: ['templates', first.id],
    queryFn: () => ask('GET /templates/{id}', { params: { id: first.id } }),
    initialData: first,
  });
  const history = useUndoHistory(`template_${first.id}`, editedOf(first));
  const { draft, change } = history;
  const { words } = draft;
  const queries = useQueryClient();
  const toast = useToast();
  const router = useRouter();
  const may = template.may_change;
  const changed = JSON.stringify({ ...draft, name: draft.name.trim() }) !== JSON.stringify(editedOf(template));
  const save = useMutation({
    mutationFn: () =>
      ask('PATCH /templates/{id}', {
        params: { id: template.id },
        body: {
          name: draft.name.trim() || template.name,
          words,
          day_cap: draft.day_cap,
          seen: template.version,
        },
      }),
    onSuccess: (saved) => {
      history.saved(editedOf(saved));
      void queries.invalidateQueries({ queryKey: ['templates'] });
      toast.tell(
        saved.version > template.version && template.brought.sent > 0
          ? 'Saved as a new wording. Its results are counted separately.'
          : 'Saved.',
      );
    },
  });
  const copy = useMutation({
    mutationFn: () =>
      ask('POST /templates', {
        body: { channel: template.channel, name: `${template.name}, copy`.slice(0, 80), words },
        headers: freshKey(),
      }),
    onSuccess: ({ id }) => {
      void queries.invalidateQueries({ queryKey: ['templates'] });
      router.push(`/campaigns/templates/${id}`);
    },
    onError: toast.fail,
  });
  const remove = useMutation({
    mutationFn: () => ask('DELETE /templates/{id}', { params: { id: template.id } }),
    onSuccess: () => {
      history.discard();
      void queries.invalidateQueries({ queryKey: ['templates'] });
      router.push('/campaigns/templates');
    },
    onError: toast.fail,
  });
  return (
    <div onKeyDown={history.onKeyDown}>
      <Row spread align="end" gap={4}>
        <div>
          <Heading level={1}>
            <Input
              look="title"
              width="min(560px, 100%)"
              aria-label="Name of the template"
              value={draft.name}
              maxLength={80}
              disabled={!may}
              onChange={(event) => change({ ...draft, name: event.target.value })}
            />
          </Heading>
          <Text as="p" tone="soft">
            {capitalized(CHANNELS[template.channel].template)}, wording {template.version} ·{' '}
            {format.number(template.brought.sent)} sent
            {!template.shared && ' · yours'}
          </Text>
        </div>
        <Row above={1}>
          <LinkButton href="/campaigns/templates">All templates</LinkButton>
          <Button disabled={copy.isPending} onClick={() => copy.mutate()}>
            Copy
          </Button>
          {may && (
            <>
              <Button onClick={() => remove.mutate()} title="Touches that use it keep their own copy of the message">
                Remove
              </Button>
              <HistoryButtons history={history} />
              <Button look="main" disabled={!changed || save.isPending} onClick={() => save.mutate()}>
                Save
              </Button>
            </>
          )}
        </Row>
      </Row>
      {!may && (
        <Text as="p" tone="soft">
          Only office managers can change this template. Copy it to make your own.
        </Text>
      )}
      <UnsavedNotice history={history} />
      <ErrorMessage error={save.error} named />
      <Split>
        <Stack>
          <WordsEditor
            channel={template.channel}
            words={words}
            templateId={template.id}
            readOnly={!may}
            onChange={(next) => change({ ...draft, words: next })}
          />
          {!CHANNELS[template.channel].isTask && (
            <Row as="label" small above={3.5}>
              Send at most
              <LimitField
                label="Most per day"
                min={1}
                width={90}
                placeholder="any"
                disabled={!may}
                value={draft.day_cap}
                onChange={(day_cap) => change({ ...draft, day_cap })}
              />
              a day; the rest wait until the next morning
            </Row>
          )}
        </Stack>
        <SplitSide>
          <Preview channel={template.channel} words={words} />
          <Results template={template} />
        </SplitSide>
      </Split>
    </div>
  );
}

/** What this wording brought, and its variants. */
function Results({ template: { brought: counts, variants, channel } }: { template: InFull }) {
  if (CHANNELS[channel].isTask || counts.sent === 0) return null;
  const groups = new Map<string, VariantView[]>();
  for (const one of variants) groups.set(`${one.part} ${one.group}`, [...(groups.get(`${one.part} ${one.group}`) ?? []), one]);
  return (
    <Panel as="section" aria-label="Results of this wording">
      <Heading>Results of this wording</Heading>
      <Row ruled spread wrap={false} gap={3}>
        <span>Delivered</span>
        <Rate n={counts.delivered} of={counts.sent} what="arrived" upTo={1} />
      </Row>
      <Row ruled spread wrap={false} gap={3}>
        <span>Replied within a week</span>
        <Rate n={counts.answered} of={counts.sent} what="answered" />
      </Row>
      <Row ruled spread wrap={false} gap={3}>
        <span>Opted out</span>
        <Rate n={counts.opted_out} of={counts.sent} what="opted out" />
      </Row>
      {[...groups.values()].map((options) => (
        <Stack key={`${options[0]!.part} ${options[0]!.group}`} gap={1} above={2}>
          {options.map((one) => (
            <Row ruled spread wrap={false} gap={3} key={one.option}>
              <Text cut>“{one.text || 'nothing'}”</Text>
              <Rate n={one.answered} of={one.sent} what="answered" />
            </Row>
          ))}
          <Text as="p" tone="soft" small>
            {verdict(options)}
          </Text>
        </Stack>
      ))}
    </Panel>
  );
}

function verdict(options: VariantView[]): string {
  const [best, ...others] = [...options].sort((a, b) => b.answered / Math.max(1, b.sent) - a.answered / Math.max(1, a.sent));
  const chance = Math.max(
    ...others.map((one) => chanceOf({ n: best!.answered, of: best!.sent }, { n: one.answered, of: one.sent })),
  );
  return chance < 0.01 ? `“${best!.text}” gets more replies.` : 'No clear winner yet: the difference could be chance.';
}
