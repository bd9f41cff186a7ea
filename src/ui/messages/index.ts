export { FromTemplate } from './from-template';
export { Compose } from './compose';
