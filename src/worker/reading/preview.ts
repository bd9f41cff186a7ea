/** The thread in which the command line reads files for their preview, one after the other; it may be ended at any instant (`scripts/lib/preview.ts`). */
import { parentPort } from 'node:worker_threads';
import { previewFile } from '@/providers/files';

parentPort!.on('message', (path: string) => {
  previewFile(path, new Date().getFullYear()).then(
    (preview) => parentPort!.postMessage(preview),
    (error: unknown) => {
      throw error;
    },
  );
});
