export { FromTemplate } from './from-template';
export { Compose, type WritableChannel } from './compose';
