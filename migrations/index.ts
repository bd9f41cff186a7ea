/** The migrations in the order they run. Add to the end; never change one that has landed. */
import { first } from './0001_first';
import { contacts } from './0002_contacts';
import { imports } from './0003_imports';
import { exports_ } from './0004_exports';
import { ownWords } from './0005_own_words';
import { searchWords } from './0006_search_words';
import { exportSchedules } from './0007_export_schedules';
import { searchPending } from './0008_search_pending';
import { peopleInSight } from './0009_people_in_sight';
import { leadMail } from './0010_lead_mail';
import { routing } from './0011_routing';
import { mailLessons } from './0012_mail_lessons';
import { apiDoors } from './0013_api_doors';
import { market } from './0014_market';
import { pages } from './0015_pages';
import { sources } from './0016_sources';
import { fileDoor } from './0017_file_door';
import { campaigns } from './0018_campaigns';
import { senders } from './0019_senders';
import { messages } from './0020_messages';
import { tried } from './0021_tried';
import { queues } from './0022_queues';
import { statistics } from './0023_statistics';
import { unreadMails } from './0024_unread_mails';
import { loginFailures } from './0025_login_failures';
import { refusals } from './0026_refusals';
import { idempotency } from './0027_idempotency';
import { standardNames } from './0028_standard_names';
import { enrollments } from './0029_enrollments';
import { reasons } from './0030_reasons';
import { errors } from './0031_errors';
import { storedNames } from './0032_stored_names';
import { pinnedNotes } from './0033_pinned_notes';
import { auditInOrder } from './0034_audit_in_order';
import { everydaySegments } from './0035_everyday_segments';
import { cityColumn } from './0036_city';
import { listingsBefore } from './0037_listings_before';
import { sessionsSeen } from './0038_sessions';
import { passwordResets } from './0039_password_resets';
import { mailConnections } from './0040_mail_connections';
import { foundingCodes } from './0041_founding_codes';
import { userInvitations } from './0042_user_invitations';
import { invitedToRoster } from './0043_invited_to_roster';
import { keySuccessors } from './0044_key_successors';
import { secondSteps } from './0045_second_steps';
import { sourcesList } from './0046_sources_list';
import { webhooks } from './0047_webhooks';
import { people } from './0048_people';
import { sharedAddresses } from './0049_shared_addresses';
import { contactPlaces } from './0050_contact_places';
import type { Migration } from './migration';

export const migrations: Migration[] = [
  first,
  contacts,
  imports,
  exports_,
  ownWords,
  searchWords,
  exportSchedules,
  searchPending,
  peopleInSight,
  leadMail,
  routing,
  mailLessons,
  apiDoors,
  market,
  pages,
  sources,
  fileDoor,
  campaigns,
  senders,
  messages,
  tried,
  queues,
  statistics,
  unreadMails,
  loginFailures,
  refusals,
  idempotency,
  standardNames,
  enrollments,
  reasons,
  errors,
  storedNames,
  pinnedNotes,
  auditInOrder,
  everydaySegments,
  cityColumn,
  listingsBefore,
  sessionsSeen,
  passwordResets,
  mailConnections,
  foundingCodes,
  userInvitations,
  invitedToRoster,
  keySuccessors,
  secondSteps,
  sourcesList,
  webhooks,
  people,
  sharedAddresses,
  contactPlaces,
];
export type { Migration };
