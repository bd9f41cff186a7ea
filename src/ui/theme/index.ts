export { SCHEME_COOKIE, schemeScript, switchMask, switchScheme } from './scheme';
export { theme } from './theme';
