export { handOver, handOverTogether, NOT_CONNECTED, type HttpService } from './http';
