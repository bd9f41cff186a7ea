export { handOver, handOverTogether } from './http';
