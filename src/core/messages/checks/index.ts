export { checkFields } from './fields';
export { checkWords, hasErrors, longestParts, type Other } from './check';
export { readings, slipsIn, type WordingSample } from './reading';
export { type Checked, type Finding, type MessagePart } from './finding';
