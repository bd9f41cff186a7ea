export { calendarAt, createFeed, readFeed, revokeFeed, type FeedView } from './feeds.service';
