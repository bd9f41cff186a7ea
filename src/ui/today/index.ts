export { TodayArea, type Today } from './today';
