export { FormatFields } from './format-fields';
export { Shell, type Me } from './shell';
export type { Wire } from './wire-areas';
