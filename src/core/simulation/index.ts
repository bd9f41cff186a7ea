export { type AdvanceView } from './views';
