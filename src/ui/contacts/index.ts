export { DossierPage } from './dossier-page';
export { Dossier, type Reason } from './dossier';
export { ContactsArea } from './list';
export { nameOf } from './types';
export type { Contact } from './types';
export { showContact } from './in-place';
export { type ContactPages } from './use-contacts';
