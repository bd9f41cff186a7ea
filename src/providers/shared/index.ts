export { handOver } from './http';
