export { AddLeadDialog } from './add-lead';
export { IntakeArea, type Door } from './intake';
export { InquiryForm, type FormState } from './inquiry-form';
