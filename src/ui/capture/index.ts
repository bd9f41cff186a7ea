export { AddLeadDialog } from './add-lead';
export { type DoorJson } from './shapes';
export { IntakeArea } from './intake';
export { DoorsSetup } from './doors-setup';
