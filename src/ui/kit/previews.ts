/**
 * How a message will look to whoever gets it: a phone, a mailbox, a sheet of paper. Their colors are not ours and not those of the page: a letter is
 * white in the dark too.
 */
import { styled } from '@mui/material/styles';

const PAPER = { ink: '#14171c', soft: '#5b6470', line: '#e3e1db', ground: '#ffffff', bubble: '#e9e7e1' };
const NIGHT = { ink: '#f1efe9', soft: '#a9b0b8', line: '#2b3036', ground: '#14171c', bubble: '#2b3036' };
const lookOf = (dark: boolean | undefined) => (dark ? NIGHT : PAPER);
const own = { shouldForwardProp: (name: PropertyKey) => name !== 'dark' && name !== 'narrow' };
interface Seen {
  dark?: boolean;
  narrow?: boolean;
}
const seen = ({ dark }: Seen) => {
  const { ink, ground, line } = lookOf(dark);
  return { color: ink, background: ground, border: `1px solid ${line}`, overflow: 'hidden' };
};

export const PhonePreview = styled(
  'div',
  own,
)<Seen>((props) => ({
  ...seen(props),
  justifySelf: 'center',
  width: 280,
  minHeight: 150,
  padding: 14,
  borderRadius: 18,
  '& > :first-of-type': { textAlign: 'center', fontSize: 12, color: lookOf(props.dark).soft, marginBottom: 10 },
  '& > [data-bubble]': {
    width: 'fit-content',
    maxWidth: '90%',
    padding: '8px 12px',
    borderRadius: '14px 14px 14px 4px',
    whiteSpace: 'pre-wrap',
    background: lookOf(props.dark).bubble,
  },
}));

export const MailPreview = styled(
  'div',
  own,
)<Seen>((props) => ({
  ...seen(props),
  borderRadius: 6,
  ...(props.narrow && { width: 300, justifySelf: 'center' }),
  '& > [data-from]': {
    display: 'grid',
    padding: '10px 16px',
    fontSize: 13,
    borderBottom: `1px solid ${lookOf(props.dark).line}`,
    '& span': { color: lookOf(props.dark).soft },
  },
  '& > [data-body]': { padding: 16, whiteSpace: 'pre-wrap' },
  '& > iframe[data-body]': { display: 'block', width: '100%', height: 420, padding: 0, border: 0, background: '#ffffff' },
}));

export const LetterPreview = styled('div')({
  ...seen({}),
  padding: '28px 30px',
  aspectRatio: '1 / 1.3',
  overflowY: 'auto',
  fontSize: 13,
  '& > [data-window]': {
    width: '60%',
    marginBottom: 28,
    padding: '8px 10px',
    border: '1px dashed #c9c6be',
    whiteSpace: 'pre-line',
  },
  '& > [data-body]': { padding: '12px 0', whiteSpace: 'pre-wrap' },
});
