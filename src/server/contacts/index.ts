export { stageNames } from './stage-names';
export { addNote, contactPatchSchema, setNextTouch, setPermission, updateContact } from './change.service';
export { findContact, findContacts, findContactWithPermissions, isVisible, lockContact } from './contacts.repository';
export {
  CONTACT_SORTS,
  COUNTED,
  contactsFrom,
  countContacts,
  listContacts,
  withTags,
  type ContactQuery,
} from './pages.repository';
export { forgetSearch, learnWords, refreshSearch, writeSearch } from './search';
export { contactView, OWN_FIELDS } from './contacts.rows';
export { FACT_COLUMNS, factsOfRow, rowOfFacts } from './facts.rows';
export { DISPLAY_NAME, displayName } from './display-name';
export { endFollowUp } from './follow-up';
export { listFields, requireTags, setDates, setFields } from './details.service';
export { FAST, HOUR_OF, measureSql, ROSTER_OF } from './measure.sql';
export {
  changePermissions,
  putBackPermissions,
  permissionActivity,
  permissionFor,
  readPermissions,
  type PermissionChange,
  type PermissionDetail,
  type PermissionBefore,
} from './permissions';
export {
  addressesOf,
  anyLedgerAddressSql,
  deliveryAddress,
  firstAddressSql,
  isSentSql,
  ledgerAddressSql,
  lettersTo,
  MAILING_ADDRESS,
  mailingAddress,
  pointKind,
  pointKindSql,
  shownAddress,
} from './addresses';
export { recordOptOut } from './opt-out';
export { endOffers } from './ownership';
export { isClientSql } from './client-stages.sql';
export { refold } from './refold';
export type { contactsTable } from './contacts.model';
export { insertActivitiesSql } from './activities.sql';
export { derived, recordActivities, restate } from './record-activities';
export { listTimeline } from './timeline.repository';
export { addressesSchema, type TypedAddresses } from './typed-addresses';
export { IDENTITY, listHolders, type IdentityRow, type KnownPerson } from './known-identities';
export { ownAddresses } from './own-addresses';
export { pinNote } from './pinned-note';
export { segmentSql, type SegmentContext } from './segment.sql';
export { visible } from './visible';
export { verify, type Verified } from './verify';
export { checkRegistry } from './registry.repository';
export { reportActivity } from './report.service';
export { fieldsTable } from './fields.model';
