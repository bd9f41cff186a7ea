export {
  hourOf,
  MEASURES,
  MEASURE_KEYS,
  periodOf,
  RESULT_PERIODS,
  share,
  SPEED_BY,
  type Behind,
  type Measure,
  type ResultRow,
  type SpeedBy,
  type SpeedRow,
} from './measures';
