export { countToday, readToday } from './today.service';
export { readWire, readWireFrame } from './wire.repository';
