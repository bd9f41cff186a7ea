export { AREAS, areasFor, homeOf, type Area } from './areas';
export {
  fullName,
  hasRight,
  may,
  mayRunOffice,
  mayChange,
  accountOf,
  onlyOf,
  requireSharing,
  runsTheOffice,
  scopeFor,
  wholeAccount,
  type User,
  type Principal,
  type Scope,
} from './roles';
export {
  CHOSEN_RIGHT_KEYS,
  CHOSEN_RIGHTS,
  CUSTOM_BASES,
  KEY_SCOPES,
  RIGHTS,
  ROLES,
  type Action,
  type ChosenRight,
  type KeyScope,
  type Role,
} from './rights';
export { concerns, isMine } from './live';
export { FROM_ANYWHERE, ONE_ACCOUNT, ONE_ADDRESS, waitAfter, type DelayRule } from './login-delay';
export {
  DEFAULT_SETTINGS,
  settingsOf,
  SETTING_KEYS,
  SETTINGS,
  settingsPatch,
  formatOfSettings,
  settingsOfFormat,
  settingsView,
  type Setting,
  type SettingKey,
  type Settings,
  type SettingsView,
} from './settings';
export {
  START_STEP_KEYS,
  startGaps,
  startSteps,
  type StartFacts,
  type StartGap,
  type StartStep,
  type StartStepKey,
} from './start';
export { NO_PROFILE, profileOf, TOLD_BY, type AgentCard, type License, type Profile, type ToldBy } from './profile';
export { STATE_CODES, stateName, US_STATES, US_ZONES, type UsState, type UsZone } from './states';
export { auditKeysWith, auditWords, type AuditView } from './audit';
export {
  INVITED_ROLES,
  type InvitedRole,
  type UserInvitationInput,
  type UserInvitationView,
  type CustomRoleView,
  type OfficeView,
  type ProfileView,
  type TeamView,
  type UserPatch,
  type KeyView,
  type LoginSecurityView,
  type MailConnectionInput,
  type MailConnectionView,
  type SessionView,
  type UserView,
} from './views';
