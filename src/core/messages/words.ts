/** The words of a message as they are kept: with merge fields, conditions and variants in them, and a plain version beside them. */
import type { MailDoc } from './mail-doc';

/** The words of a message. */
export interface Words {
  subject?: string;
  text: string;
  /** The wording used when a merge field of `text` has no value. */
  plain: string;
  /** An e-mail of blocks. `text` is then what it says without its looks. */
  doc?: MailDoc | null;
  /** Files that go with an e-mail, by their ids in the account's own storage. */
  files?: AttachedFile[];
}
/** A file that goes along with an e-mail. */
export interface AttachedFile {
  id: string;
  name: string;
  bytes: number;
}
