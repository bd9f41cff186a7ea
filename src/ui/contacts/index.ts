export { DossierPage } from './dossier-page';
export { Dossier, type Reason } from './dossier';
export { ContactsArea } from './list';
export { nameOf } from './types';
export type { Contact } from './types';
export { showContact } from './in-place';
export { type ContactPages } from './use-contacts';
export { ListSkeleton } from './list-skeleton';
export { askedOf, FIRST_ORDER, FIRST_PAGE, keyOfList, orderedQuestion, PAGE_ROWS, questionOf } from './asked';
