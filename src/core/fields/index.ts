export { dayOfYear } from './days';
export { fieldRows, fieldValue, type FieldInput, type FieldRow } from './value';
