export { schemeScript, switchMask, switchScheme } from './scheme';
export { theme } from './theme';
