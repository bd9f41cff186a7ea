export { captureInquiry, type Arrival, type Captured } from './capture.service';
export { doorOfKind, doorOfPage, listDoors, type Door, type DoorView } from './doors.repository';
export { findInquiry, listInquiries, type InquiryView } from './inquiries.repository';
