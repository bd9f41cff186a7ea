export { DuplicatesArea } from './duplicates-area';
