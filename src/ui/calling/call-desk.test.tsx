/** One call: what is typed is kept and never read as a command, keys act only outside of the note, the outcome is one key. */
import { screen, waitFor } from '@testing-library/react';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { CallDesk, type Call } from './call-desk';

const CALL: Call = {
  id: '9',
  contact_id: '5',
  state: 'answered',
  outcome: null,
  outcome_guessed: false,
  number: '+13605550142',
  note: '',
  started_at: '2026-11-23T18:22:00Z',
  answered_at: '2026-11-23T18:22:48Z',
  ended_at: null,
  talk_seconds: 0,
};
const ENDED: Call = {
  ...CALL,
  state: 'ended',
  outcome: 'talked',
  outcome_guessed: true,
  ended_at: '2026-11-23T18:27:00Z',
  talk_seconds: 252,
};
const start = (call: Call, answers: object = {}, numbers: string[] = []) => {
  const asked = answering({
    'GET /calls/9': call,
    'PATCH /calls/9': {},
    'POST /calls/9/hang-up': {},
    'GET /templates': { items: [] },
    ...answers,
  });
  const onDone = jest.fn();
  const onCall = jest.fn();
  return { asked, onDone, onCall, ...show(<CallDesk first={call} numbers={numbers} onCall={onCall} onDone={onDone} />) };
};
const routes = (asked: { route: string }[]) => asked.map(({ route }) => route);

test('how the call goes and how long it has lasted', () => {
  start(CALL);
  const desk = screen.getByRole('region', { name: 'Call' });
  expect(desk).toHaveTextContent('Answered (360) 555-0142');
  expect(desk).toHaveTextContent('1:12');
});

test('a note begins at once, is saved as it is typed, and its letters are no commands', async () => {
  const { user, asked } = start(CALL);
  expect(screen.getByRole('textbox', { name: 'Notes during the call' })).toHaveFocus();
  await user.keyboard('has a house, 2 baths');
  await waitFor(() => expect(sentTo(asked, 'PATCH /calls/9')).toEqual({ note: 'has a house, 2 baths' }));
  expect(routes(asked)).not.toContain('POST /calls/9/hang-up');
});

test('after Esc, h hangs up', async () => {
  const { user, asked } = start(CALL);
  await user.keyboard('{Escape}');
  expect(document.body).toHaveFocus();
  await user.keyboard('h');
  await waitFor(() => expect(routes(asked)).toContain('POST /calls/9/hang-up'));
});

test('a note not saved yet is saved when one goes on', async () => {
  const { user, asked, unmount } = start(CALL);
  await user.keyboard('gate code 4711');
  unmount();
  await waitFor(() => expect(sentTo(asked, 'PATCH /calls/9')).toEqual({ note: 'gate code 4711' }));
});

test('when the other side hangs up mid-sentence, what is typed goes on into the note', async () => {
  const { user, asked, queries } = start(CALL);
  await user.keyboard('wants 2');
  queries.setQueryData(['call', '9'], ENDED);
  expect(await screen.findByRole('group', { name: 'Outcome of the call' })).toBeVisible();
  await user.keyboard(' baths');
  expect(screen.getByRole('textbox', { name: 'Notes during the call' })).toHaveValue('wants 2 baths');
  await waitFor(() => expect(sentTo(asked, 'PATCH /calls/9')).toEqual({ note: 'wants 2 baths' }));
});

test('the outcome is named by one key, and then comes the next touch', async () => {
  const { user, asked, onDone } = start(ENDED);
  await user.keyboard('2');
  await waitFor(() => expect(onDone).toHaveBeenCalled());
  expect(sentTo(asked, 'PATCH /calls/9')).toHaveProperty('outcome');
});

test('Enter keeps what the network said, and sends nothing', async () => {
  const { user, asked, onDone } = start(ENDED);
  expect(screen.getByRole('button', { name: /^Save as “/ })).toBeVisible();
  await user.keyboard('{Enter}');
  await waitFor(() => expect(onDone).toHaveBeenCalled());
  expect(routes(asked)).not.toContain('PATCH /calls/9');
});

test('an outcome that could not be saved is said, and one stays', async () => {
  const { user, onDone } = start(ENDED, {
    'PATCH /calls/9': refusal(409, { code: 'conflict', detail: 'Someone changed this call.' }),
  });
  await user.keyboard('3');
  expect(await screen.findByText('Someone changed this call.')).toBeVisible();
  expect(onDone).not.toHaveBeenCalled();
});

const NUMBERS = ['+13605550142', '+13605550143'];

test('after a wrong number the next one is called with Enter', async () => {
  const { user, onCall, onDone } = start(ENDED, {}, NUMBERS);
  await user.click(screen.getByRole('button', { name: /Wrong number/ }));
  expect(await screen.findByRole('button', { name: /Call \(360\) 555-0143/ })).toBeVisible();
  await user.keyboard('{Enter}');
  expect(onCall).toHaveBeenCalledWith('+13605550143');
  expect(onDone).not.toHaveBeenCalled();
});

test('another number during a call: this one is hung up, and the other is called when it has ended', async () => {
  const { user, asked, onCall, queries } = start(CALL, {}, NUMBERS);
  await user.click(screen.getByRole('button', { name: 'Another number' }));
  await user.click(await screen.findByRole('menuitem', { name: /555-0143/ }));
  await waitFor(() => expect(routes(asked)).toContain('POST /calls/9/hang-up'));
  expect(onCall).not.toHaveBeenCalled();
  queries.setQueryData(['call', '9'], ENDED);
  await waitFor(() => expect(onCall).toHaveBeenCalledWith('+13605550143'));
});
