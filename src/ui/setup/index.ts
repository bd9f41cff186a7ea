export { SetupArea } from './setup';
