/** Broadcasts: to whom, what it says, when it goes; asked once more before it does; what became of it. */
import { useState } from 'react';
import { screen, waitFor, within } from '@testing-library/react';
import type { Goes } from '@/core/messages';
import { answering, going, refusal, sentTo, show } from '../../../tests/harness/render';
import { BroadcastDesk } from './broadcast';
import { BroadcastsArea } from './broadcasts';
import { Draft } from './draft';
import { Outcome } from './outcome';
import { WhenItGoes } from './when';
import type { Broadcast } from './shapes';

const COUNTS = {
  sent: 0,
  waiting: 0,
  held: 0,
  cancelled: 0,
  answered: 0,
  answered_first_hour: 0,
  opened: 0,
  clicked: 0,
  bounced: 0,
  complained: 0,
  opted_out: 0,
  delivered_letters: 0,
};
const DRAFT = {
  id: '7',
  name: 'Open house',
  channel: 'text',
  state: 'draft',
  words: { text: 'Open house Saturday at 1.', plain: 'Open house Saturday at 1.' },
  selection: { segments: ['2'] },
  goes: { on: 'now' },
  per_minute: 60,
  template_id: null,
  left_out: {},
  people: 0,
  counts: COUNTS,
  made_at: '2026-11-22T18:00:00Z',
  made_by: { id: '2', name: 'Asta Lund' },
  started_at: null,
  next_at: null,
  last_at: null,
} as unknown as Broadcast;
const REACH = { people: 40, receive: 31, left_out: { opted_out: 9 }, letter_cents: 0, minutes: 1, holiday: null };
const API = {
  'GET /segments': {
    items: [
      { id: '2', name: 'Coast buyers', tree: { all: [] } },
      { id: '3', name: 'Past clients', tree: { all: [] } },
    ],
  },
  'GET /templates': { items: [] },
  'POST /broadcasts/reach': REACH,
  'POST /messages/preview': { subject: null, text: 'Open house Saturday at 1.', findings: [], html: null },
  'PATCH /broadcasts/7': DRAFT,
};
const drafted = (changed: Partial<Broadcast> = {}, onSaved = jest.fn()) => ({
  onSaved,
  ...show(<Draft broadcast={{ ...DRAFT, ...changed }} onSaved={onSaved} />),
});

describe('a draft', () => {
  test('says whom it reaches, and asks once more with the number before it goes', async () => {
    const asked = answering({ ...API, 'POST /broadcasts/7/start': { ...DRAFT, state: 'filling' } });
    const { user, onSaved } = drafted();
    await user.click(await screen.findByRole('button', { name: 'Send now to 31…' }));
    const last = screen.getByRole('alertdialog', { name: 'Send' });
    expect(last).toHaveTextContent('This goes to 31 people now. Sent messages can’t be recalled.');
    expect(within(last).getByRole('button', { name: 'Send' })).toHaveFocus();
    expect(asked.map(({ route }) => route)).not.toContain('POST /broadcasts/7/start');
    await user.click(within(last).getByRole('button', { name: 'Send' }));
    await waitFor(() => expect(onSaved).toHaveBeenCalledWith(expect.objectContaining({ state: 'filling' })));
    expect(await screen.findByText(/^Sending\. You can pause or cancel/)).toBeVisible();
  });

  test('Esc takes the last question back, and nothing goes', async () => {
    const asked = answering(API);
    const { user } = drafted();
    await user.click(await screen.findByRole('button', { name: 'Send now to 31…' }));
    await user.keyboard('{Escape}');
    expect(screen.queryByRole('alertdialog')).toBeNull();
    expect(asked.map(({ route }) => route)).not.toContain('POST /broadcasts/7/start');
  });

  test('one that is changed is saved before it goes', async () => {
    const asked = answering({ ...API, 'POST /broadcasts/7/start': DRAFT });
    const { user } = drafted();
    await user.click(await screen.findByRole('button', { name: 'Past clients' }));
    await waitFor(() =>
      expect(sentTo(asked, 'POST /broadcasts/reach')).toMatchObject({ selection: { segments: ['2', '3'] }, channel: 'text' }),
    );
    await user.click(await screen.findByRole('button', { name: 'Send now to 31…' }));
    await user.click(screen.getByRole('button', { name: 'Send' }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /broadcasts/7/start'));
    expect(sentTo(asked, 'PATCH /broadcasts/7')).toMatchObject({ selection: { segments: ['2', '3'] } });
  });

  test('without anyone to get it there is nothing to send', async () => {
    answering(API);
    drafted({ selection: {} });
    expect(await screen.findByRole('button', { name: 'Send now…' })).toBeDisabled();
    expect(screen.getByRole('button', { name: 'Save draft' })).toBeDisabled();
  });

  test('what is refused is said, and the draft stays', async () => {
    answering({
      ...API,
      'POST /broadcasts/7/start': refusal(409, { code: 'conflict', detail: 'Connect a text line first, in Setup.' }),
    });
    const { user } = drafted();
    await user.click(await screen.findByRole('button', { name: 'Send now to 31…' }));
    await user.click(screen.getByRole('button', { name: 'Send' }));
    expect(await screen.findByText('Connect a text line first, in Setup.')).toBeVisible();
  });

  test('one that is discarded leaves nothing half-written behind', async () => {
    answering({ ...API, 'DELETE /broadcasts/7': {} });
    const went = going();
    const { user } = drafted();
    await user.click(await screen.findByRole('button', { name: 'Past clients' }));
    expect(localStorage.length).toBe(1);
    await user.click(screen.getByRole('button', { name: 'Discard' }));
    await waitFor(() => expect(went).toEqual(['/campaigns/broadcasts']));
    expect(localStorage.length).toBe(0);
  });

  test('a set time is said as people say it', async () => {
    answering(API);
    const { user } = drafted({ goes: { on: 'local', day: '2026-12-01', at: '09:30' } });
    await user.click(await screen.findByRole('button', { name: 'Schedule to 31…' }));
    expect(screen.getByRole('alertdialog')).toHaveTextContent('31 people on Dec 1, 2026 at 9:30 AM in each contact’s time zone.');
  });
});

describe('when it goes', () => {
  const timed = (holiday?: { name: string; next: string }, first: Goes = { on: 'now' }) => {
    const said: { goes?: Goes; per_minute?: number }[] = [];
    function Timed() {
      const [goes, setGoes] = useState(first);
      const [perMinute, setPerMinute] = useState(60);
      return (
        <WhenItGoes
          channel="letter"
          goes={goes}
          perMinute={perMinute}
          holiday={holiday}
          onChange={(next) => {
            said.push(next);
            if (next.goes) setGoes(next.goes);
            if (next.per_minute) setPerMinute(next.per_minute);
          }}
        />
      );
    }
    return { said, ...show(<Timed />) };
  };

  test('a day and a time in any usual spelling; tomorrow to begin with', async () => {
    answering({});
    const { user, said } = timed();
    expect(screen.queryByLabelText('Day')).toBeNull();
    await user.click(screen.getByRole('radio', { name: 'at a set time' }));
    expect(said.at(-1)).toEqual({ goes: { on: 'office', day: '2026-11-24', at: '10:00' } });
    await user.clear(screen.getByLabelText('Day'));
    await user.type(screen.getByLabelText('Day'), '12/4{Tab}');
    await user.clear(screen.getByLabelText('Time'));
    await user.type(screen.getByLabelText('Time'), '2:30p{Tab}');
    expect(said.at(-1)).toEqual({ goes: { on: 'office', day: '2026-12-04', at: '14:30' } });
    expect(screen.getByLabelText('Time')).toHaveValue('2:30 PM');
  });

  test('a time that cannot be read is said at its field and changes nothing', async () => {
    answering({});
    const { user, said } = timed(undefined, { on: 'office', day: '2026-11-24', at: '10:00' });
    await user.clear(screen.getByLabelText('Time'));
    await user.type(screen.getByLabelText('Time'), 'lunch{Tab}');
    expect(screen.getByLabelText('Time')).toHaveAttribute('aria-invalid', 'true');
    expect(said).toEqual([]);
  });

  test('a holiday is named beside the day, with the next one that is none', async () => {
    answering({});
    const { user, said } = timed(
      { name: 'Thanksgiving Day', next: '2026-11-27' },
      { on: 'office', day: '2026-11-26', at: '10:00' },
    );
    expect(screen.getByRole('status')).toHaveTextContent('Nov 26, 2026 is Thanksgiving Day.');
    await user.click(screen.getByRole('button', { name: 'move it to Nov 27, 2026' }));
    expect(said.at(-1)).toEqual({ goes: { on: 'office', day: '2026-11-27', at: '10:00' } });
  });

  test('letters are printed by the service or here, whatever the time', async () => {
    answering({});
    const { user, said } = timed();
    await user.selectOptions(screen.getByLabelText('Who prints the letters'), 'here, as one file');
    await user.click(screen.getByRole('radio', { name: 'at a time, in each contact’s time zone' }));
    expect(said.at(-1)).toEqual({ goes: { on: 'local', day: '2026-11-24', at: '10:00', printed: 'here' } });
  });
});

describe('what became of it', () => {
  const GONE = {
    ...DRAFT,
    channel: 'email',
    state: 'done',
    people: 40,
    counts: { ...COUNTS, sent: 31, answered: 4, answered_first_hour: 1, opened: 12, held: 9 },
    started_at: '2026-11-22T18:00:00Z',
  } as unknown as Broadcast;

  test('a number shows its people, whoever answered first', async () => {
    answering({
      ...API,
      'GET /broadcasts/7/people': {
        items: [{ contact_id: '5', name: 'Odalys Brandt', words: 'Yes, Saturday works', at: '2026-11-22T18:40:00Z' }],
        next_cursor: null,
      },
    });
    const { user } = show(<Outcome broadcast={GONE} />);
    expect(screen.getByText('One person replied within the first hour.')).toBeVisible();
    expect(await screen.findByText('Yes, Saturday works')).toBeVisible();
    expect(screen.getByRole('link', { name: 'Odalys Brandt' })).toHaveAttribute('href', '/contacts/5');
    const held = screen.getByRole('button', { name: /^Held back/ });
    await user.click(held);
    await waitFor(() => expect(held).toHaveAttribute('aria-current', 'true'));
  });

  test('the list names each with how it went; a new one is begun from its name', async () => {
    const asked = answering({ ...API, 'GET /broadcasts': { items: [GONE] }, 'POST /broadcasts': { id: '8' } });
    const went = going();
    const { user } = show(<BroadcastsArea first={[GONE]} />);
    expect(screen.getByRole('row', { name: /Open house/ })).toHaveTextContent(/Asta Lund/);
    await user.click(screen.getByRole('button', { name: 'New broadcast' }));
    const dialog = within(await screen.findByRole('dialog', { name: 'New broadcast' }));
    await user.type(dialog.getByLabelText('Internal name'), 'December letter{Enter}');
    await waitFor(() => expect(sentTo(asked, 'POST /broadcasts')).toMatchObject({ name: 'December letter', selection: {} }));
    await waitFor(() => expect(went).toEqual(['/campaigns/broadcasts/8']));
  });

  test('nothing yet says how to begin', () => {
    answering({ 'GET /broadcasts': { items: [] } });
    show(<BroadcastsArea first={[]} />);
    expect(screen.getByText(/^No broadcasts yet\. Start one here/)).toBeVisible();
  });
});

describe('one that goes', () => {
  const GOING = {
    ...DRAFT,
    state: 'going',
    people: 40,
    counts: { ...COUNTS, sent: 12, waiting: 28 },
    started_at: '2026-11-23T18:20:00Z',
  } as unknown as Broadcast;
  const desk = (answers: object) => {
    const asked = answering({ ...API, 'GET /broadcasts/7': GOING, 'GET /broadcasts/7/people': { items: [] }, ...answers });
    return { asked, ...show(<BroadcastDesk first={GOING} />) };
  };

  test('is paused, says how many wait, and goes on by Undo', async () => {
    const { user, asked } = desk({
      'POST /broadcasts/7/pause': { ...GOING, state: 'paused' },
      'POST /broadcasts/7/resume': GOING,
    });
    await user.click(screen.getByRole('button', { name: 'Pause' }));
    expect(await screen.findByText('Paused. 28 wait.')).toBeVisible();
    await user.click(screen.getByRole('button', { name: /^Undo/ }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /broadcasts/7/resume'));
  });

  test('the rest is canceled; what was sent is said', async () => {
    const { user } = desk({
      'POST /broadcasts/7/cancel': { ...GOING, state: 'cancelled', counts: { ...GOING.counts, cancelled: 28, waiting: 0 } },
    });
    await user.click(screen.getByRole('button', { name: 'Cancel the rest' }));
    expect(await screen.findByText('Stopped. 28 canceled; 12 already sent.')).toBeVisible();
  });

  test('a copy begins as a draft of its own', async () => {
    const went = going();
    const { user } = desk({ 'POST /broadcasts/7/copy': { id: '9' } });
    await user.click(screen.getByRole('button', { name: 'Copy' }));
    await waitFor(() => expect(went).toEqual(['/campaigns/broadcasts/9']));
  });

  test('what could not be done is said', async () => {
    const { user } = desk({
      'POST /broadcasts/7/pause': refusal(409, { code: 'conflict', detail: 'It was done a moment ago.' }),
    });
    await user.click(screen.getByRole('button', { name: 'Pause' }));
    expect(await screen.findByText('It was done a moment ago.')).toBeVisible();
  });
});
