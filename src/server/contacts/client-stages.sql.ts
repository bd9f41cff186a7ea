/** In SQL, whether somebody of this stage became a client; a stage of one's own counts as its step. */
import { CLIENT_STAGES } from '@/core/contacts';

const STEPS = CLIENT_STAGES.map((stage) => `'${stage}'`).join(',');
/** @param stage the expression of the stage, `c.stage` */
export const isClientSql = (stage: string): string => `split_part(${stage}, '.', 1) in (${STEPS})`;
