export { countToday, readToday } from './today.service';
export { readWire } from './wire.repository';
