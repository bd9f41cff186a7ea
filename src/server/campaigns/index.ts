export { findCampaign, listCampaigns, listEnrolments } from './campaigns.repository';
export { carryOutDue, mailingAddress, nextDue } from './due.service';
export { enrolArrival, stopEnrolment } from './enrol.service';
