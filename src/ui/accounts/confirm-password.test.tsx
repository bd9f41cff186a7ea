/** A change that asks for the password: once it was typed the change goes on; turned away from, it fails as what it is. */
import { screen, waitFor } from '@testing-library/react';
import { answering, refusal, sentTo, show, wrongAt, type Answers } from '../../../tests/harness/render';
import { ask } from '../primitives';
import { ConfirmPassword } from './confirm-password';

const asksFirst = refusal(403, { code: 'password_required', detail: 'Enter your password again to do this.' });
const revoke = () => ask('DELETE /keys/{id}', { params: { id: '4' } });
const field = () => screen.findByLabelText('Your password');

test('it is asked, a wrong one says so, and after the right one the change is made', async () => {
  const answers: Answers = {
    'DELETE /keys/4': asksFirst,
    'POST /password/confirmation': wrongAt('password', 'That isn’t your password'),
  };
  const asked = answering(answers);
  const { user } = show(<ConfirmPassword />);
  const done = revoke();
  await user.type(await field(), 'not this one{Enter}');
  await waitFor(async () => expect(await field()).toHaveAccessibleDescription(/isn’t your password/));
  answers['POST /password/confirmation'] = {};
  answers['DELETE /keys/4'] = {};
  await user.clear(await field());
  await user.type(await field(), 'gulls over cold porridge{Enter}');
  await done;
  expect(sentTo(asked, 'POST /password/confirmation')).toEqual({ password: 'gulls over cold porridge' });
  expect(asked.filter(({ route }) => route === 'DELETE /keys/4')).toHaveLength(2);
  expect(screen.queryByLabelText('Your password')).toBeNull();
});

test('who turns away changes nothing', async () => {
  const asked = answering({ 'DELETE /keys/4': asksFirst });
  const { user } = show(<ConfirmPassword />);
  const refused = expect(revoke()).rejects.toThrow('Enter your password again to do this.');
  await field();
  await user.keyboard('{Escape}');
  await refused;
  expect(asked).toHaveLength(1);
});
