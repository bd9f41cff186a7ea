export { cleanEmail, cleanName, cleanPhone, oneLine, showPhone } from './clean';
export { askOf, faultsOf, inquirySchema, readInquiry, storable, type CleanInquiry } from './inquiry';
export { zoneOfPostalCode } from './zone';
export { type DoorView, type InquiryView } from './views';
