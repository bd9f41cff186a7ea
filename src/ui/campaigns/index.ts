export { CampaignsArea, type Campaign } from './campaigns';
