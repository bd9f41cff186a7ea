export { Shell, type Me } from './shell';
export type { Wire } from './wire-areas';
