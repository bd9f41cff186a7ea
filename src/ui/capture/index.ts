export { TestLeadDialog } from './test-lead';
export { AddLeadDialog } from './add-lead';
export { INQUIRIES_SHOWN, type DoorJson } from './shapes';
export { IntakeArea } from './intake';
export { DoorsSetup } from './doors-setup';
