export { goOnTalking, isTalking } from './talks.service';
