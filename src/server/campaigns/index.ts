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
export { mailingAddress, readTouchedContacts } from './contact.rows';
export {
  failCampaignRehearsal,
  findCampaignRehearsal,
  orderCampaignRehearsal,
  performCampaignRehearsal,
} from './rehearse.service';
export {
  CAMPAIGNS_NOW,
  chooseArrivals,
  enrol,
  enrolArrivals,
  putEnrollments,
  staysOut,
  stopEnrollment,
  type Arrived,
  type CampaignNow,
  type Enrolling,
} from './enrol.service';
export { beginInquiry, begunByInquiry, carryOutStarts, nextStart, payOwed, type BegunByInquiry } from './starts.service';
