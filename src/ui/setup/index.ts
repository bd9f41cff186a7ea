export { SetupArea } from './setup';
export { isSetupSection } from './sections';
