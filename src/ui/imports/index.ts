export { ImportArea } from './import-area';
