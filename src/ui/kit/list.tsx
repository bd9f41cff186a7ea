'use client';
/** Lists that one goes through: rows that open something, in groups that can be folded. */
import { useEffect, useRef, type ReactNode } from 'react';
import { styled } from '@mui/material/styles';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { BareButton } from './button';
import { Heading, Row, Text } from './layout';

const PHONE = '@media (max-width: 800px)';

/** A list that scrolls inside of itself, on a phone with the page. */
export const ScrollList = styled('div')({
  maxHeight: 'calc(100dvh - 158px)',
  overflowY: 'auto',
  padding: '0 4px 40px 10px',
  marginLeft: -10,
  [PHONE]: { maxHeight: 'none' },
});

const Opener = styled(BareButton, { shouldForwardProp: (name) => name !== 'ruled' })<{ ruled?: boolean }>(
  ({ theme: { vars }, ruled }) => ({
    display: 'flex',
    justifyContent: 'space-between',
    alignItems: 'start',
    gap: 12,
    width: 'calc(100% + 10px)',
    padding: '5px 10px',
    margin: '0 0 1px -10px',
    borderRadius: 6,
    textAlign: 'left',
    ...(ruled && { borderBottom: `1px solid ${vars.palette.magpie.hair}` }),
    '&:hover': { background: vars.palette.magpie.hair },
    '&[aria-current="true"]': { background: vars.palette.magpie.chosen },
    [PHONE]: { padding: '10px 10px' },
  }),
);

/** @param chosen comes into sight @param end what stands at the right */
export function ListRow({
  chosen,
  onChoose,
  ruled,
  end,
  children,
  ...rest
}: {
  chosen: boolean;
  onChoose: () => void;
  ruled?: boolean;
  end?: ReactNode;
  children: ReactNode;
  'data-contact'?: string;
}) {
  const row = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (chosen) row.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return (
    <Opener ref={row} ruled={ruled} onClick={onChoose} aria-current={chosen} {...rest}>
      <span style={{ minWidth: 0, flex: 1 }}>{children}</span>
      {end && (
        <Row as="span" gap={2.5} wrap={false} style={{ flex: 'none' }}>
          {end}
        </Row>
      )}
    </Opener>
  );
}

const Head = styled(Row)(({ theme: { vars } }) => ({
  position: 'sticky',
  top: 0,
  zIndex: 2,
  margin: '12px 0 3px',
  paddingBottom: 3,
  borderBottom: `1px solid ${vars.palette.divider}`,
  background: vars.palette.background.default,
}));
/** The head of a group with how many it holds; folded it shows nothing else. */
export function GroupHead({
  name,
  count,
  folded,
  onFold,
}: {
  name: string;
  count: number;
  folded: boolean;
  onFold: (folded: boolean) => void;
}) {
  const Icon = folded ? ChevronRight : ChevronDown;
  return (
    <Head spread wrap={false}>
      <Heading>
        <BareButton aria-expanded={!folded} onClick={() => onFold(!folded)}>
          <Icon size={13} aria-hidden="true" style={{ verticalAlign: -2 }} /> {name}
        </BareButton>
      </Heading>
      <Text tone="soft" small strong>
        {count}
      </Text>
    </Head>
  );
}

/** Words as they came, in the letters of a machine. */
export const RawText = styled('pre')(({ theme: { vars } }) => ({
  margin: 0,
  padding: '12px 14px',
  whiteSpace: 'pre-wrap',
  overflowWrap: 'anywhere',
  font: '12.5px/18px ui-monospace, monospace',
  background: vars.palette.background.default,
  border: `1px solid ${vars.palette.divider}`,
  borderRadius: 6,
  '& mark': { background: vars.palette.magpie.chosen, color: 'inherit', borderRadius: 2 },
  '[data-mask="on"] &': { filter: 'blur(6px)' },
}));

/** Two lines at most of what somebody wrote. */
export const TwoLines = styled('span')({
  display: '-webkit-box',
  WebkitLineClamp: 2,
  WebkitBoxOrient: 'vertical',
  overflow: 'hidden',
  whiteSpace: 'pre-line',
});
