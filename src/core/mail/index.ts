export {
  BODY_FIELDS,
  groupedFields,
  inquiryOfBody,
  placesOf,
  type BodyField,
  type Mapping,
  type BodyValue,
  type FieldRule,
} from './body';
export { boundedMail, boundedText } from './bounds';
export { inquiryOf } from './inquiry';
export { readWholeMail, type ReadMail } from './reading';
export {
  EXTRACTED_FIELDS,
  ruleFromMark,
  applyRule,
  applyRules,
  type ExtractionRule,
  type ExtractedField,
} from './extraction-rules';
export { isMachineMade } from './kind';
export { bodyOf, readLeadMail } from './read';
export type { LeadMail, LeadMailView, MailState } from './views';
export type { Mail, Mailbox, MailKind } from './mail';
export { readReturned, type Returned } from './bounces';
