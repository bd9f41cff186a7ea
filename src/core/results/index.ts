export { MEASURES, MEASURE_KEYS, share, type Measure, type ResultRow } from './measures';
