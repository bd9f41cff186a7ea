export { AddLeadDialog } from './add-lead';
export { type Door } from './doors';
export { IntakeArea } from './intake';
