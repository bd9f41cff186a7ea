export { cleanEmail, cleanName, cleanPhone, oneLine, showPhone } from './clean';
export { zoneOfPostalCode } from './zone';
export { type DoorView, type InquiryView } from './views';
