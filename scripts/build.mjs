/** `npm run build`: everything production needs, into dist/ and .next/. */
import { ensureBuilt } from './lib/build.mjs';
import { ensureNodeModules } from './lib/packages.mjs';
import { script } from './lib/say.mjs';

await script(async () => {
  await ensureNodeModules();
  await ensureBuilt();
});
