/** Templates: their list with A/B tests, and the editor: words, fields put in where one writes, checks, the copy and what survives a reload. */
import { screen, waitFor, within } from '@testing-library/react';
import { ODALYS, WORDS } from '../../../tests/harness/people-of-forms';
import { answering, going, refusal, sentTo, show } from '../../../tests/harness/render';
import { TemplateEditor } from './template';
import { TemplatesArea } from './templates';
import type { Template } from './fields';

const TEXT = {
  id: '4',
  name: 'First hello',
  channel: 'text',
  version: 2,
  words: {
    text: "Hi {{ first_name }}, it's {{ agent_first_name }} with {{ brokerage }}. Reply STOP to opt out.",
    plain: "Hi, it's {{ agent_first_name }} with {{ brokerage }}. Reply STOP to opt out.",
  },
  day_cap: null,
  sent_today: 0,
  shared: true,
  may_change: true,
  campaigns: 1,
  findings: { errors: 0, warnings: 0 },
  brought: { sent: 120, delivered: 118, answered: 24, opted_out: 2 },
  variants: [],
} as unknown as Template & { variants: [] };
const OTHER = { ...TEXT, id: '5', name: 'Second hello', shared: false, campaigns: 0, findings: { errors: 2, warnings: 0 } };
const API = {
  'GET /vocabulary': WORDS,
  'GET /templates': { items: [TEXT, OTHER] },
  'GET /templates/4': TEXT,
  'GET /contacts': { items: [ODALYS] },
  'GET /contacts/5/merge-fields': {
    fields: { first_name: 'Odalys', agent_first_name: 'Asta', agent_name: 'Asta Lund', brokerage: 'Tern & Tiller' },
    texted_before: false,
  },
  'GET /ab-tests': { items: [] },
};

describe('the list', () => {
  test('says what each brought, whose it is, and what is wrong with it', () => {
    answering(API);
    show(<TemplatesArea first={[TEXT, OTHER] as Template[]} office />);
    const first = screen.getByRole('row', { name: /First hello/ });
    expect(first).toHaveTextContent('20%');
    expect(first).toHaveTextContent('1 campaign');
    expect(screen.getByRole('row', { name: /Second hello/ })).toHaveTextContent(/has errors · yours · /);
  });

  test('two of them are put to an A/B test; one alone is not enough', async () => {
    const asked = answering({ ...API, 'POST /ab-tests': { id: '6' } });
    const { user } = show(<TemplatesArea first={[TEXT, OTHER] as Template[]} office />);
    await user.click(screen.getByRole('checkbox', { name: 'First hello in an A/B test' }));
    expect(screen.getByRole('button', { name: 'Start A/B test' })).toBeDisabled();
    expect(screen.getByText('Check another one of the same channel.')).toBeVisible();
    await user.click(screen.getByRole('checkbox', { name: 'Second hello in an A/B test' }));
    await user.click(screen.getByRole('button', { name: 'Start A/B test' }));
    await waitFor(() =>
      expect(sentTo(asked, 'POST /ab-tests')).toEqual({ name: 'First hello or Second hello', template_ids: ['4', '5'] }),
    );
    await waitFor(() => expect(screen.getByRole('checkbox', { name: 'First hello in an A/B test' })).not.toBeChecked());
  });

  test('a winner goes alone once chance no longer explains it, and by a person', async () => {
    const asked = answering({
      ...API,
      'GET /ab-tests': {
        items: [
          {
            id: '6',
            name: 'Hello or hi',
            may_change: true,
            winner_id: null,
            entrants: [
              { id: '4', name: 'First hello', sent: 400, answered: 120 },
              { id: '5', name: 'Second hello', sent: 400, answered: 40 },
            ],
          },
        ],
      },
      'PATCH /ab-tests/6': {},
    });
    const { user } = show(<TemplatesArea first={[TEXT, OTHER] as Template[]} office />);
    expect(await screen.findAllByRole('button', { name: 'Send alone' })).toHaveLength(1);
    await user.click(screen.getByRole('button', { name: 'Send alone' }));
    await waitFor(() => expect(sentTo(asked, 'PATCH /ab-tests/6')).toEqual({ winner_id: '4' }));
    expect(await screen.findByText('From now on the winner goes alone.')).toBeVisible();
  });

  test('a new one is named and goes on where it is written', async () => {
    const asked = answering({ ...API, 'POST /templates': { id: '9' } });
    const went = going();
    const { user } = show(<TemplatesArea first={[TEXT] as Template[]} office />);
    await user.click(screen.getByRole('button', { name: 'New template' }));
    const dialog = within(await screen.findByRole('dialog', { name: 'New template' }));
    expect(dialog.getByRole('button', { name: /^Create/ })).toBeDisabled();
    await user.click(dialog.getByRole('radio', { name: /email/i }));
    await user.type(dialog.getByLabelText('Name'), 'Three homes{Enter}');
    await waitFor(() =>
      expect(sentTo(asked, 'POST /templates')).toMatchObject({ channel: 'email', name: 'Three homes', shared: true }),
    );
    await waitFor(() => expect(went).toEqual(['/campaigns/templates/9']));
  });
});

describe('the editor', () => {
  const edit = (change: Partial<Template> = {}) => show(<TemplateEditor first={{ ...TEXT, ...change }} />);

  test('what is written is seen as a person will see it, and saved with the wording that was seen', async () => {
    const asked = answering({ ...API, 'PATCH /templates/4': { ...TEXT, version: 3 } });
    const { user } = edit();
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled();
    await user.type(screen.getByLabelText('Words'), ' See you soon!');
    const preview = await screen.findByRole('region', { name: 'Preview' });
    await waitFor(() => expect(preview).toHaveTextContent(/Hi Odalys, it's Asta with Tern & Tiller\..*See you soon!/));
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() =>
      expect(sentTo(asked, 'PATCH /templates/4')).toMatchObject({
        name: 'First hello',
        day_cap: null,
        seen: 2,
        words: { text: `${TEXT.words.text} See you soon!` },
      }),
    );
    expect(await screen.findByText(/^Saved as a new wording/)).toBeVisible();
  });

  test('half-written it survives a reload, with its name and its limit; Discard puts it away', async () => {
    answering(API);
    const first = edit();
    await first.user.type(screen.getByLabelText('Words'), ' More');
    await first.user.type(screen.getByLabelText('Name of the template'), ' again');
    first.unmount();
    const { user } = edit();
    expect(screen.getByRole('status')).toHaveTextContent('You have unsaved changes from before.');
    expect(screen.getByLabelText('Name of the template')).toHaveValue('First hello again');
    expect(screen.getByLabelText('Words')).toHaveValue(`${TEXT.words.text} More`);
    await user.click(screen.getByRole('button', { name: 'Discard changes' }));
    expect(screen.getByLabelText('Words')).toHaveValue(TEXT.words.text);
    expect(screen.queryByText(/^You have unsaved changes/)).toBeNull();
  });

  test('a field goes in where one writes; what is wrong is said beside it', async () => {
    answering(API);
    const { user } = edit();
    const plain = screen.getByLabelText('Plain version, used when a field is unknown');
    await user.click(plain);
    await user.click(screen.getByText('Insert'));
    await user.click(within(screen.getByRole('group', { name: 'Insert a field' })).getByRole('button', { name: 'first name' }));
    expect(plain).toHaveValue(`${TEXT.words.plain}{{ first_name }}`);
    const checks = await screen.findByLabelText('Checks');
    expect(checks).toHaveTextContent('1 error to fix before you can use it');
    await user.click(within(checks).getByRole('button', { name: /^Go to:/ }));
    expect(plain).toHaveFocus();
  });

  test('what is refused is said, and what was written stays', async () => {
    answering({
      ...API,
      'PATCH /templates/4': refusal(409, { code: 'conflict', detail: 'Berit Moss changed this template a moment ago.' }),
    });
    const { user } = edit();
    await user.type(screen.getByLabelText('Words'), ' More');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText(/Berit Moss changed this template/)).toBeVisible();
    expect(screen.getByLabelText('Words')).toHaveValue(`${TEXT.words.text} More`);
  });

  test('who may not change it may copy it', async () => {
    const asked = answering({ ...API, 'GET /templates/4': { ...TEXT, may_change: false }, 'POST /templates': { id: '12' } });
    const went = going();
    const { user } = edit({ may_change: false });
    expect(screen.queryByRole('button', { name: 'Save' })).toBeNull();
    expect(screen.getByLabelText('Name of the template')).toBeDisabled();
    await user.click(screen.getByRole('button', { name: 'Copy' }));
    await waitFor(() => expect(sentTo(asked, 'POST /templates')).toMatchObject({ channel: 'text', name: 'First hello, copy' }));
    await waitFor(() => expect(went).toEqual(['/campaigns/templates/12']));
  });

  test('a test goes to oneself, as that person would get it', async () => {
    const asked = answering({ ...API, 'POST /messages/try': { sent: 1 } });
    const { user } = edit();
    await user.click(await screen.findByRole('button', { name: 'Send me a test' }));
    await waitFor(() => expect(sentTo(asked, 'POST /messages/try')).toMatchObject({ contact_id: '5' }));
    expect(await screen.findByText('Sent to your own phone.')).toBeVisible();
  });
});
