/** What the checks say of words, each with its reason and its place; how many parts a text takes, and every wording of its variants. */
import { screen, within } from '@testing-library/react';
import type { Checked, Finding } from '@/core/messages';
import { show } from '../../../tests/harness/render';
import { Findings, Wordings } from './findings';

const finding = (change: Partial<Finding> = {}): Finding =>
  ({
    level: 'error',
    part: 'text',
    message: 'Nothing is called “frist_name”.',
    because: 'The person would read the braces.',
    at: { from: 3, to: 12 },
    ...change,
  }) as Finding;

describe('findings', () => {
  const open = (findings: Finding[]) => {
    const onJump = jest.fn();
    return { onJump, ...show(<Findings findings={findings} onJump={onJump} />) };
  };

  test('without any it says so', () => {
    open([]);
    expect(screen.getByText('No problems found.')).toBeVisible();
  });

  test.each([
    [[finding()], '1 error to fix before you can use it'],
    [[finding(), finding()], '2 errors to fix before you can use it'],
    [[finding({ level: 'warning' })], '1 to consider'],
    [[finding(), finding({ level: 'warning' })], '1 error to fix before you can use it · 1 to consider'],
  ])('they are counted by what they mean (%#)', (findings, words) => {
    open(findings);
    expect(screen.getByRole('heading')).toHaveTextContent(words);
  });

  test('each says why, and leads to its place', async () => {
    const one = finding();
    const { user, onJump } = open([one]);
    expect(screen.getByText('The person would read the braces.')).toBeInTheDocument();
    await user.click(screen.getByRole('button', { name: 'Go to: Nothing is called “frist_name”.' }));
    expect(onJump).toHaveBeenCalledWith(one);
    expect(screen.getByText('The person would read the braces.').closest('details')).not.toHaveAttribute('open');
  });

  test('what stands nowhere leads nowhere', () => {
    open([finding({ at: null, part: 'subject' })]);
    expect(screen.queryByRole('button')).toBeNull();
    expect(screen.getByText('subject')).toBeInTheDocument();
  });
});

describe('wordings', () => {
  const checked = (text: string, channel: Checked['channel'] = 'text'): Checked => ({
    channel,
    words: { text, plain: text, ...(channel === 'email' && { subject: 'Homes' }) },
    fields: [],
  });

  test('a text says how many parts and characters it takes', () => {
    show(<Wordings checked={checked('Is it still for sale?')} />);
    expect(screen.getByText(/^one part, \d+ of 160 characters$/)).toBeVisible();
    expect(screen.queryByRole('button')).toBeNull();
  });

  test('what a text cannot spell takes more room', () => {
    show(<Wordings checked={checked('Привет. '.repeat(12))} />);
    expect(screen.getByText(/^2 parts, \d+ of 134 characters$/)).toBeVisible();
  });

  test('an email that says one thing says nothing of it', () => {
    show(<Wordings checked={checked('Is it still for sale?', 'email')} />);
    expect(screen.queryByText(/part|wordings/)).toBeNull();
  });

  test('every wording that variants make can be read', async () => {
    const { user } = show(<Wordings checked={checked('{Hi|Hello} there, {still looking|any news}?')} />);
    const button = screen.getByRole('button', { name: '4 wordings' });
    expect(button).toHaveAttribute('aria-expanded', 'false');
    await user.click(button);
    const all = within(screen.getByRole('region', { name: 'Wordings of the words' }));
    expect(all.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual(
      expect.arrayContaining(['Hi there, still looking?', 'Hello there, any news?']),
    );
    await user.click(button);
    expect(screen.queryByRole('region')).toBeNull();
  });
});
