/** Next's build settings. Types are checked by `npm run typecheck`, a step of its own in `npm test`, so the build does not check them again. */
import type { NextConfig } from 'next';

const config: NextConfig = {
  /** Tests build beside a running demo, in a folder of their own. */
  distDir: process.env.NEXT_DIST_DIR ?? '.next',
  reactStrictMode: true,
  poweredByHeader: false,
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['sequelize', 'pg', 'pg-hstore', '@node-rs/argon2', 'pino'],
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  experimental: { optimizePackageImports: ['@mui/material'] },
};
export default config;
