export { cleanEmail, cleanName, cleanPhone, oneLine } from './clean';
export { showPhone } from './show-phone';
export { phoneOf, type Phone } from './phone';
export { quietDoor, senderOf, withDefaults, type DoorDefaults } from './door';
export { marksIn } from './marks';
export type { InquiryInput } from './inquiry';
export { recognisedIn, type RecognizedLead } from './recognition';
export { zoneOfPostalCode } from './zone';
export { type BodyRead, type DoorRequestView, type DoorView, type InquiryView, type SenderView, type SourceView } from './views';
