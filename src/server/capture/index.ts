export { captureInquiry, type Arrival, type Captured } from './capture.service';
export { doorOfKind, doorOfPage, listDoors, type Door } from './doors.repository';
export { findInquiry, listInquiries } from './inquiries.repository';
