export type { Arrival, ArrivalDoor, CaptureResult, Tried } from './arrival';
export { captureByHand, tryByHand, type Told } from './by-hand.service';
export { captureInquiry, tryInquiry } from './capture.service';
export {
  doorOfAddress,
  doorOfKey,
  doorOfKind,
  doorOfPage,
  doorOfSecret,
  forgetDoors,
  listDoors,
  type Door,
} from './doors.repository';
export { listRequests, noteRequest, finishRequests } from './requests.repository';
export {
  copyRungToSources,
  createSource,
  dismissSource,
  saveSource,
  listSources,
  mergeSources,
  splitSources,
} from './sources.service';
export { doorOfSender, listSenders, noteSender, updateSender } from './senders.service';
export { findInquiry, listInquiries } from './inquiries.repository';
export { closeDoor, createDoor, isMailboxAddress, readBody, rotateDoor, updateDoor } from './doors.service';
export { sendTestLead } from './test-lead.service';
export { doorsTable } from './doors.model';
