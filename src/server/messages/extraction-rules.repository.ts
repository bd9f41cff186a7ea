/** What doors learned from corrections, by the domain of the sender. */
import { senderOf } from '@/core/capture';
import { ruleFromMark, type ExtractionRule, type ExtractedField } from '@/core/mail';
import { now, reader, type Tx } from '../shared';
import { extractionRulesTable } from './extraction-rules.model';

export interface ExtractionMark {
  field: ExtractedField;
  /** The words as they stand in the mail. */
  text: string;
}

export const listExtractionRules = (doorId: string, address: string): Promise<ExtractionRule[]> =>
  reader().rows<ExtractionRule>(
    'select field, before, after from extraction_rules where door_id = $1 and sender = $2 order by id',
    [doorId, senderOf(address)],
  );

/** Keeps what marks teach. Of one field the latest lesson is the one that holds. @returns how many places were learned */
export async function saveExtractionRules(
  tx: Tx,
  mail: { accountId: string; doorId: string; address: string; body: string },
  marks: readonly ExtractionMark[],
  userId: string | null,
): Promise<number> {
  let saved = 0;
  for (const { field, text } of marks) {
    const rule = ruleFromMark(mail.body, field, text);
    if (!rule) continue;
    saved += 1;
    const place = { door_id: mail.doorId, sender: senderOf(mail.address), field, before: rule.before };
    await extractionRulesTable.remove(place, tx);
    const learned = { account_id: mail.accountId, ...place, after: rule.after, made_by: userId, made_at: await now(tx) };
    await extractionRulesTable.insert(learned, tx);
  }
  return saved;
}
