export { TodaySkeleton } from './today-skeleton';
export { TodayArea, type Today } from './today';
