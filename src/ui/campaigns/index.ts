export { CampaignsArea } from './campaigns';
export { CampaignEditor } from './editor';
export type { Campaign } from './shapes';
