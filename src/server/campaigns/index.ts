export { findCampaign, listCampaigns, listEnrolments } from './campaigns.repository';
export {
  copyCampaign,
  createCampaign,
  deleteCampaign,
  enrolContact,
  holdPerson,
  previewVersion,
  saveVersion,
  updateCampaign,
} from './campaigns.service';
export { carryOutDue, nextDue } from './due.service';
export { mailingAddress, readPeople } from './person.rows';
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
  putEnrolments,
  staysOut,
  stopEnrolment,
  type Arrived,
  type CampaignNow,
  type Enrolling,
} from './enrol.service';
export { beginInquiry, begunByInquiry, carryOutStarts, nextStart, payOwed, type BegunByInquiry } from './starts.service';
