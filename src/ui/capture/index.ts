export { AddLeadDialog } from './add-lead';
export { type DoorJson } from './doors';
export { IntakeArea } from './intake';
