export {
  rankToday,
  reasonsFor,
  TODAY_GROUPS,
  type TodayCandidate,
  type TodayEntry,
  type TodayGroup,
  type TodayReason,
} from './rank';
export { type TodayView, type WireFrame, type WireView } from './views';
