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
export { carryOutDue, mailingAddress, nextDue } from './due.service';
export { enrol, enrolArrival, staysOut, stopEnrolment } from './enrol.service';
export { beginInquiry, carryOutStarts, nextStart, payOwed } from './starts.service';
