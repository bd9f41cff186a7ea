export {
  hourOf,
  MEASURES,
  MEASURE_KEYS,
  share,
  SPEED_BY,
  type Behind,
  type Measure,
  type ResultRow,
  type SpeedBy,
  type SpeedRow,
} from './measures';
