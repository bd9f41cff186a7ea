export { Compose, type Written } from './compose';
