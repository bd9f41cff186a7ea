export { CallDesk, type Call } from './call-desk';
