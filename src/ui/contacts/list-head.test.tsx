/** Above the grid: search that keeps what is typed, how many there are, and which number of Results the people are behind. */
import { act, screen, waitFor } from '@testing-library/react';
import type { ComponentProps } from 'react';
import { answering, show } from '../../../tests/harness/render';
import { Behind, Count, SearchField } from './list-head';

describe('search', () => {
  test('a moment after the last letter the list is asked once, without what stands around', async () => {
    const onSearch = jest.fn();
    const { user } = show(<SearchField asked="" onSearch={onSearch} />);
    const field = screen.getByRole('searchbox', { name: 'Search contacts' });
    await user.type(field, ' kelp st ');
    expect(onSearch).not.toHaveBeenCalled();
    await waitFor(() => expect(onSearch).toHaveBeenCalledTimes(1));
    expect(onSearch).toHaveBeenCalledWith('kelp st');
    expect(field).toHaveValue(' kelp st ');
  });

  test('left, it shows what was asked', async () => {
    const { user } = show(<SearchField asked="kelp" onSearch={jest.fn()} />);
    const field = screen.getByRole('searchbox', { name: 'Search contacts' });
    await user.type(field, ' str');
    act(() => field.blur());
    expect(field).toHaveValue('kelp');
  });
});

describe('how many', () => {
  const count = (list: object) =>
    show(<Count question={{ q: 'kelp' }} list={list as ComponentProps<typeof Count>['list']} />).container;
  test.each([
    [{ total: 1 }, '1 person'],
    [{ total: 3_957 }, '3,957 people'],
    [{ total: 100_000, capped: true }, '100,000+ people'],
    [{ total: 12, approximate: true }, 'about 12 people, similar spelling'],
    [{ total: undefined }, ''],
  ])('%j', (list, words) => {
    expect(count(list)).toHaveTextContent(words || /^$/);
  });
});

describe('people behind a number', () => {
  const USERS = [{ id: '2', name: 'Asta Lund' }];
  const open = (query: object, total?: number) => {
    answering({
      'GET /vocabulary': {
        names: { door: [{ value: '4', name: 'Our website' }], roster: [{ value: '8', name: 'Coast' }] },
        fields: [],
      },
    });
    const onClear = jest.fn();
    const full = { measure: null, agent: null, days: 30, by: {}, ...query } as unknown as ComponentProps<typeof Behind>['query'];
    return { onClear, ...show(<Behind query={full} users={USERS} total={total} onClear={onClear} />) };
  };
  const heading = () => screen.getByRole('heading', { level: 1 });

  test('a list of its own is called Contacts', () => {
    open({});
    expect(heading()).toHaveTextContent('Contacts');
    expect(screen.queryByRole('button')).toBeNull();
  });

  test('it says which number, of whom and of how many days, and what it means', async () => {
    const { user, onClear } = open({ measure: 'fast', agent: '2', days: 90 }, 1_204);
    expect(heading()).toHaveTextContent('1,204 in 5 minutes, Asta Lund, last 90 days');
    expect(screen.getByText('Leads first attempted by a person within 5 minutes.')).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'All contacts' }));
    expect(onClear).toHaveBeenCalledTimes(1);
  });

  test('by what door, through which roster and at which hour they came', async () => {
    open({ measure: 'leads', by: { door: '4', roster: '8', hour: '1-9' } }, 7);
    await waitFor(() => expect(heading()).toHaveTextContent('7 leads, Our website, Coast, Mondays at 9 AM, last 30 days'));
  });

  test('an hour that is none is left out', () => {
    open({ measure: 'leads', by: { hour: '9-99' } }, 7);
    expect(heading()).toHaveTextContent(/^7 leads, last 30 days$/);
  });
});
