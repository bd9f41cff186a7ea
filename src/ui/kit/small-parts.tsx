'use client';
/** Parts that one or two pages need: charts' frames, lists of findings and definitions, links as tabs, what opens and closes. */
import type { ReactNode } from 'react';
import Avatar from '@mui/material/Avatar';
import { styled } from '@mui/material/styles';
import { initialsOf } from '@/core/shared';
import { BareButton } from './button';
import { Row } from './layout';

/** Somebody's photo beside their name, or their initials. */
export const Face = ({ name, src }: { name: string; src: string | null }) => (
  <Avatar
    src={src ?? undefined}
    alt=""
    aria-hidden="true"
    sx={{ width: 28, height: 28, fontSize: 12, fontWeight: 600, bgcolor: 'primary.main', color: 'primary.contrastText' }}
  >
    {initialsOf(name)}
  </Avatar>
);

/** What opens and closes by its summary. */
export const Disclosure = styled('details')(({ theme: { vars } }) => ({
  marginTop: 12,
  '& > summary': { cursor: 'pointer', padding: '4px 0', fontWeight: 600, color: vars.palette.primary.main },
}));

/** What a check found: a sign, its words, and what opens below them. */
export const FindingList = styled('section')(({ theme: { vars } }) => ({
  '& ul': { listStyle: 'none', margin: '6px 0 0', padding: 0 },
  '& summary': {
    display: 'grid',
    gridTemplateColumns: '18px 1fr auto',
    gap: 8,
    alignItems: 'baseline',
    cursor: 'pointer',
    padding: '4px 0',
  },
  '& details p': { margin: '0 0 6px 26px', maxWidth: '62ch' },
  '& [data-sign]': { fontWeight: 700, textAlign: 'center', color: vars.palette.secondary.main },
  '& [data-level="error"] [data-sign]': { color: vars.palette.warning.main },
}));

/** Links that lead between the parts of an area. */
export const LinkTabs = styled('nav')(({ theme: { vars } }) => ({
  display: 'flex',
  gap: 22,
  marginBottom: 6,
  '& a': {
    padding: '4px 0',
    textDecoration: 'none',
    color: vars.palette.text.secondary,
    borderBottom: '2px solid transparent',
  },
  '& a[aria-current]': { color: vars.palette.text.primary, fontWeight: 600, borderBottomColor: vars.palette.primary.main },
}));

export const DefinitionList = styled('dl')(({ theme: { vars } }) => ({
  display: 'grid',
  gridTemplateColumns: 'auto 1fr',
  gap: '2px 12px',
  marginTop: 16,
  fontSize: 12.5,
  lineHeight: '17px',
  color: vars.palette.text.secondary,
  '& dt': { fontWeight: 600 },
  '& dd': { margin: 0 },
}));

/** A chart has its height before it is there. */
export const ChartBox = styled('div', { shouldForwardProp: (name) => name !== 'height' })<{ height: number }>(({ height }) => ({
  height,
}));

const Swatch = styled('i')({ flex: 'none', width: 10, height: 10, borderRadius: 3 });
/** A color of a chart and its name. */
export const Legend = ({ color, children }: { color: string; children: ReactNode }) => (
  <Row as="span" gap={1.5} wrap={false}>
    <Swatch style={{ background: color }} />
    {children}
  </Row>
);

const Glass = styled('div')(({ theme: { vars } }) => ({
  maxWidth: '100%',
  overflow: 'hidden',
  border: `1px solid ${vars.palette.divider}`,
  borderRadius: 6,
  background: vars.palette.background.paper,
}));
/** A page shown smaller than it is, which runs nothing. */
export const ScaledFrame = ({
  title,
  srcDoc,
  width,
  height,
  scale,
  sandbox,
}: {
  title: string;
  srcDoc: string;
  width: number;
  height: number;
  scale: number;
  sandbox: string;
}) => (
  <Glass style={{ height }}>
    <iframe
      title={title}
      sandbox={sandbox}
      srcDoc={srcDoc}
      style={{ width, height: height / scale, transform: `scale(${scale})`, transformOrigin: '0 0', border: 0 }}
    />
  </Glass>
);

/** A home in a list: its picture, what it is, what it costs. */
export const HomeButton = styled(BareButton)(({ theme: { vars } }) => ({
  display: 'grid',
  gridTemplateColumns: '76px minmax(0, 1fr) auto',
  gap: 12,
  alignItems: 'center',
  width: '100%',
  padding: '5px 10px',
  textAlign: 'left',
  borderBottom: `1px solid ${vars.palette.magpie.hair}`,
  '& svg': { display: 'block', width: 76, height: 56, borderRadius: 4 },
  '&:hover': { background: vars.palette.magpie.hair },
  '&[aria-current="true"]': { background: vars.palette.magpie.chosen },
}));

export const LoginPage = styled('main')({ maxWidth: 420, margin: '0 auto', padding: '48px 20px' });
export const LoginMark = styled('div')(({ theme: { vars } }) => ({
  display: 'flex',
  alignItems: 'flex-end',
  gap: 10,
  paddingBottom: 2,
  borderBottom: `1.5px solid ${vars.palette.text.primary}`,
  '& h1': { fontSize: 34, lineHeight: '38px' },
}));
export const LoginChoice = styled(BareButton)(({ theme: { vars } }) => ({
  display: 'flex',
  justifyContent: 'space-between',
  gap: 12,
  width: '100%',
  padding: '5px 0',
  borderBottom: `1px solid ${vars.palette.divider}`,
  '&:hover': { color: vars.palette.primary.main },
}));

/** Codes to write down, in type that tells O from 0. */
export const CodeText = styled('code')({ fontFamily: 'ui-monospace, monospace', whiteSpace: 'pre-wrap', lineHeight: '22px' });

/** A QR code that came as SVG; on white, whatever the scheme, so that a camera reads it. */
export const QrImage = ({ svg, alt }: { svg: string; alt: string }) => (
  <QrFrame src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`} alt={alt} width={180} height={180} />
);
const QrFrame = styled('img')({ background: '#fff', alignSelf: 'start' });

/** Somebody's photo, round. */
export const Portrait = styled('img')({ width: 64, height: 64, borderRadius: '50%', objectFit: 'cover' });
