export { captureInquiry, type Arrival, type Captured } from './capture.service';
export { doorOfAddress, doorOfKind, doorOfPage, listDoors, type Door } from './doors.repository';
export { findInquiry, listInquiries } from './inquiries.repository';
export { createMailbox, isMailboxAddress, rotateMailbox, updateDoor } from './doors.service';
