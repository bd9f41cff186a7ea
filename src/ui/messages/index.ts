export { FromTemplate } from './from-template';
export { Compose, type Written } from './compose';
