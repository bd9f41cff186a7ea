export { parseMail } from './parse';
