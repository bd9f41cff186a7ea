export { csvCell, csvLine, inert } from './csv';
