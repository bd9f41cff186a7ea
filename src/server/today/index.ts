export { countToday, readToday, type TodayView } from './today.service';
export { readWire, type WireView } from './wire.repository';
