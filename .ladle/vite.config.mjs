/** The gallery runs without Next: its links and lazy parts are plain ones here. */
import { fileURLToPath } from 'node:url';

const here = (path) => fileURLToPath(new URL(path, import.meta.url));

export default {
  publicDir: false,
  resolve: {
    alias: [
      { find: 'next/link', replacement: here('./next-link.tsx') },
      { find: 'next/dynamic', replacement: here('./next-dynamic.tsx') },
      { find: /^@\//, replacement: `${here('../src')}/` },
    ],
  },
};
