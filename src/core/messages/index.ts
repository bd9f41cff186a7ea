export { fieldsIn, ownField, fillWords, mergeFields, MERGE_FIELDS, type MergeFields } from './merge';
export { isOptOut, ownWords } from './opt-out';
export { type ProviderAnswer } from './provider';
export { type ParkedView } from './views';
