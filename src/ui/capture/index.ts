export { AddLeadDialog } from './add-lead';
export { type Door } from './doors';
export { IntakeArea } from './intake';
export { InquiryForm, type FormState } from './inquiry-form';
