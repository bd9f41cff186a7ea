export { checkFields } from './fields';
export { checkWords, hasErrors, longestParts, type Other } from './check';
export { readings, slipsIn, type Reading } from './reading';
export { type Checked, type Finding, type Part } from './finding';
