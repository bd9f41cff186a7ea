export { cleanEmail, cleanName, cleanPhone, oneLine, showPhone } from './clean';
export { quietDoor, withDefaults, type DoorDefaults } from './door';
export { marksIn } from './marks';
export { zoneOfPostalCode } from './zone';
export { type BodyRead, type DoorRequestView, type DoorView, type InquiryView, type SourceView } from './views';
