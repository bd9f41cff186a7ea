export { InboxArea } from './inbox';
