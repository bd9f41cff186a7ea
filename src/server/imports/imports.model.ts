/** The table of imports. */
import type { ImportColumn, ImportOptions, ImportScan, ImportView } from '@/core/imports';
import { bigint, bool, id, instant, int, json, made, orNull, table, text } from '../shared';

export const importsTable = table('imports', {
  id: id(),
  account_id: bigint(),
  user_id: orNull(bigint()),
  file_name: text(),
  bytes: made(bigint()),
  state:
    made(
      text<
        | 'uploading'
        | 'looking'
        | 'ready'
        | 'refused'
        | 'waiting'
        | 'running'
        | 'done'
        | 'cancelled'
        | 'failed'
        | 'undoing'
        | 'undone'
      >(),
    ),
  format: made(json<ImportView['format']>()),
  columns: made(json<ImportColumn[]>()),
  options: made(json<Partial<ImportOptions>>()),
  look: made(json<ImportScan | Record<string, never>>()),
  sentence: orNull(text()),
  read: made(int()),
  total: made(int()),
  made: made(int()),
  changed: made(int()),
  same: made(int()),
  left_out: made(int()),
  doubtful: made(int()),
  undone: made(int()),
  undo_left_alone: made(int()),
  cancel: made(bool()),
  error: orNull(text()),
  made_at: instant(),
  ended_at: orNull(instant()),
});
