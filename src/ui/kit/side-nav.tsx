'use client';
/** A page of sections: their links at the left, what one of them holds at the right. `instead` stands in their place on a phone. */
import type { ReactNode } from 'react';
import NextLink from 'next/link';
import { styled } from '@mui/material/styles';
import { Stack } from './layout';

const Beside = styled('div')({
  display: 'grid',
  gridTemplateColumns: '220px minmax(0, 1fr)',
  gap: 40,
  alignItems: 'start',
  '@media (max-width: 800px)': { gridTemplateColumns: 'minmax(0, 1fr)', gap: 16 },
});
const Links = styled('nav')({
  position: 'sticky',
  top: 84,
  display: 'grid',
  gap: 12,
  '@media (max-width: 800px)': { position: 'static' },
});
const SectionLink = styled(NextLink)(({ theme: { vars } }) => ({
  padding: '6px 10px',
  borderRadius: 6,
  textDecoration: 'none',
  '&:hover': { background: vars.palette.magpie.hair },
  '&[aria-current]': { background: vars.palette.magpie.chosen, fontWeight: 600 },
}));

export function SideNav({
  label,
  links,
  above,
  instead,
  children,
}: {
  label: string;
  links: { href: string; name: string; here: boolean }[];
  above?: ReactNode;
  instead?: ReactNode;
  children: ReactNode;
}) {
  return (
    <Beside>
      {instead || (
        <Links aria-label={label}>
          {above}
          <Stack gap={0.5}>
            {links.map(({ href, name, here }) => (
              <SectionLink key={href} href={href} prefetch={false} aria-current={here ? 'page' : undefined}>
                {name}
              </SectionLink>
            ))}
          </Stack>
        </Links>
      )}
      <div>{children}</div>
    </Beside>
  );
}
