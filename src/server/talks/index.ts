export { goOnTalking } from './talks.service';
