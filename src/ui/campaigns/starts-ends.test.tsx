/** What begins a campaign by itself, what ends it, and how it repeats. */
import { useState } from 'react';
import { screen, waitFor, within } from '@testing-library/react';
import { NO_PLAN, type Plan, type Start } from '@/core/campaigns';
import { WORDS } from '../../../tests/harness/people-of-forms';
import { answering, show } from '../../../tests/harness/render';
import { Ends } from './ends';
import { Starts } from './starts';

jest.mock('../segments', () => ({ Sentence: () => <span>whoever matches</span>, useTags: () => ({ data: [] }) }));
const NAMES = {
  ...WORDS,
  names: { ...WORDS.names, door: [{ value: '4', name: 'Our website' }], source: [{ value: 'Open house', name: 'Open house' }] },
};

describe('when it starts', () => {
  let told: Start[] = [];
  function Held({ first }: { first: Start[] }) {
    const [starts, setStarts] = useState(first);
    told = starts;
    return <Starts starts={starts} onChange={setStarts} />;
  }
  const open = (first: Start[] = []) => {
    answering({ 'GET /vocabulary': NAMES });
    return show(<Held first={first} />);
  };

  test.each([
    ['+ when someone matches', { on: 'enter', tree: { all: [] } }],
    ['+ when a new lead comes in from', { on: 'inquiry', doors: [], sources: [] }],
    ['+ around a personal date', { on: 'date', date: 'birthday', days: -7, at: '09:00' }],
    ['+ every year on a date', { on: 'day', day: '12-10', at: '09:00' }],
  ])('%s', async (button, start) => {
    const { user } = open();
    await user.click(screen.getByRole('button', { name: button }));
    expect(told).toEqual([start]);
    await user.click(screen.getByRole('button', { name: /^Remove: / }));
    expect(told).toEqual([]);
  });

  test('a new lead from any door, or only from those that are chosen', async () => {
    const { user } = open([{ on: 'inquiry', doors: [], sources: [] }]);
    const which = within(screen.getByRole('group', { name: 'Which doors and sources' }));
    expect(which.getByText('any door')).toBeVisible();
    await user.click(await which.findByRole('button', { name: 'Our website' }));
    await user.click(which.getByRole('button', { name: 'Open house' }));
    expect(told).toEqual([{ on: 'inquiry', doors: ['4'], sources: ['Open house'] }]);
    expect(which.queryByText('any door')).toBeNull();
    await user.click(which.getByRole('button', { name: 'Our website' }));
    expect(told).toEqual([{ on: 'inquiry', doors: [], sources: ['Open house'] }]);
  });

  test('days before a birthday become days after an anniversary', async () => {
    const { user } = open([{ on: 'date', date: 'birthday', days: -7, at: '09:00' }]);
    await user.selectOptions(screen.getByRole('combobox', { name: 'Before or after' }), 'days after');
    expect(told).toEqual([{ on: 'date', date: 'birthday', days: 7, at: '09:00' }]);
    const date = screen.getByRole('combobox', { name: 'Which date' });
    await user.selectOptions(date, within(date).getAllByRole('option').at(-1)!);
    expect(told[0]).toMatchObject({ on: 'date', days: 7 });
    expect(told[0]).not.toMatchObject({ date: 'birthday' });
  });
});

describe('when it ends', () => {
  let told: Plan = NO_PLAN;
  function Held({ first }: { first: Plan }) {
    const [plan, setPlan] = useState(first);
    told = plan;
    return <Ends plan={plan} set={(patch) => setPlan((now) => ({ ...now, ...patch }))} />;
  }
  const open = (change: Partial<Plan> = {}) => {
    answering({ 'GET /vocabulary': NAMES });
    return show(<Held first={{ ...NO_PLAN, ...change }} />);
  };
  const choice = (name: string) => screen.getByRole('combobox', { name });

  test('a reply ends it, pauses it for so many days, or changes nothing', async () => {
    const { user } = open();
    await user.selectOptions(choice('What a reply does'), 'pauses it');
    const days = screen.getByLabelText('Days to pause');
    await user.clear(days);
    await user.type(days, '14');
    await user.tab();
    await waitFor(() => expect(told.ends).toMatchObject({ answered: 'pause', pauseDays: 14 }));
    await user.selectOptions(choice('What a reply does'), 'doesn’t change it');
    expect(screen.queryByLabelText('Days to pause')).toBeNull();
    expect(screen.queryByRole('button', { name: '+ and then…' })).toBeNull();
  });

  test('what a reply changes of the person is added and taken away', async () => {
    const { user } = open();
    await user.click(screen.getByRole('button', { name: '+ and then…' }));
    expect(told.ends.then).toEqual([{ set: 'horizon', horizon: 'warm' }]);
    await user.click(screen.getByRole('button', { name: 'Remove' }));
    expect(told.ends.then).toEqual([]);
  });

  test('it says that it ends for clients only where it does', () => {
    const { unmount } = open();
    expect(screen.getByText('It always ends when they opt out, and when they become a client.')).toBeVisible();
    unmount();
    open({ anyStage: true });
    expect(screen.getByText('It always ends when they opt out.')).toBeVisible();
  });

  test('what cannot reach them, and what is held, is told in a word', async () => {
    const { user } = open();
    await user.selectOptions(choice('When no touch can reach them'), 'goes on');
    await user.selectOptions(choice('When a touch is held'), 'is skipped');
    expect(told).toMatchObject({ held: 'lapse', ends: { unreachable: 'on' } });
  });

  test('it repeats forever, or so many times', async () => {
    const { user } = open();
    await user.click(screen.getByRole('checkbox', { name: 'It repeats' }));
    expect(told.repeat).toEqual({ days: 30, times: null });
    await user.selectOptions(choice('How often'), 'this many times:');
    expect(told.repeat).toEqual({ days: 30, times: 12 });
    await user.selectOptions(choice('How often'), 'forever');
    await user.click(screen.getByRole('checkbox', { name: 'It repeats' }));
    expect(told.repeat).toBeNull();
  });
});
