export { AddLeadDialog } from './add-lead';
export { type DoorJson } from './shapes';
export { IntakeArea } from './intake';
