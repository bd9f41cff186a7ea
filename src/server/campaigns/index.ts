export { findCampaign, listCampaigns, listEnrolments, type CampaignView, type EnrolmentView } from './campaigns.repository';
export { carryOutDue, mailingAddress, nextDue } from './due.service';
export { enrolArrival, stopEnrolment } from './enrol.service';
