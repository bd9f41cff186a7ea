export { BroadcastsArea } from './broadcasts';
export { BroadcastDesk } from './broadcast';
export { type Broadcast } from './shapes';
