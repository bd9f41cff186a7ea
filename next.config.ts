/** Next's build settings. Types are checked by `npm run typecheck`, a step of its own in `npm test`, so the build does not check them again. */
import type { NextConfig } from 'next';

const config: NextConfig = {
  /** Tests build beside a running demo, in a folder of their own. */
  distDir: process.env.NEXT_DIST_DIR ?? '.next',
  reactStrictMode: true,
  poweredByHeader: false,
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['piscina', 'sequelize', 'pg', 'pg-hstore', '@node-rs/argon2', 'pino'],
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'x-content-type-options', value: 'nosniff' },
        { key: 'referrer-policy', value: 'same-origin' },
        { key: 'permissions-policy', value: 'camera=(), microphone=(), geolocation=()' },
        { key: 'cross-origin-opener-policy', value: 'same-origin' },
      ],
    },
    /** Every page but a contact form made to stand in others. */
    { source: '/((?!p/[^/]+/embed$).*)', headers: [{ key: 'x-frame-options', value: 'DENY' }] },
    /** A sign-in page keeps itself for the time without a network. */
    { source: '/visit/keeper.js', headers: [{ key: 'service-worker-allowed', value: '/' }] },
  ],
  experimental: { optimizePackageImports: ['@mui/material'] },
};
export default config;
