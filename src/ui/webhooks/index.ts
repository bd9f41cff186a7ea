export { Webhooks } from './webhooks';
