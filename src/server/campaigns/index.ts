export { findCampaign, listCampaigns, listEnrollments } from './campaigns.repository';
export {
  copyCampaign,
  createCampaign,
  deleteCampaign,
  enrollContact,
  holdContact,
  previewVersion,
  saveVersion,
  updateCampaign,
} from './campaigns.service';
export { carryOutDue, nextDue } from './due.service';
export { readTouchedContacts } from './contact.rows';
export {
  failCampaignRehearsal,
  findCampaignRehearsal,
  orderCampaignRehearsal,
  performCampaignRehearsal,
} from './rehearse.service';
export { enrol, enrollArrived, staysOut, stopEnrollment } from './enrol.service';
export { beginInquiry, begunByInquiry, carryOutStarts, nextStart, payOwed } from './starts.service';
export { campaignsTable } from './campaigns.model';
export { campaignVersionsTable } from './campaign-versions.model';
