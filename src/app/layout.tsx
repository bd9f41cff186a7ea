/** The document: fonts that ship with us, the theme, the colour scheme before the first paint. */
import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import '@fontsource-variable/figtree';
import '@fontsource-variable/bricolage-grotesque';
import { SCHEME_COOKIE, schemeScript, theme } from '@/ui/theme';

export const metadata: Metadata = {
  title: { default: 'Urraca', template: '%s · Urraca' },
  description: 'Leads, contacts and follow-up for real-estate agents',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function Document({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  const saved = (await cookies()).get(SCHEME_COOKIE)?.value;
  const chosen = saved === 'dark' || saved === 'light' ? saved : undefined;
  return (
    <html lang="en" data-scheme={chosen ?? 'light'} suppressHydrationWarning>
      <body>
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: schemeScript }} />
        <AppRouterCacheProvider options={{ nonce, enableCssLayer: true }}>
          <ThemeProvider theme={theme} defaultMode={chosen ?? 'system'} storageManager={null}>
            <CssBaseline />
            {children}
          </ThemeProvider>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
