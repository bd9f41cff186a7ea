export { AREAS, areasFor, homeOf, type Area } from './areas';
export {
  fullName,
  may,
  mayRunOffice,
  mayChange,
  accountOf,
  onlyOf,
  requireSharing,
  runsTheOffice,
  scopeFor,
  seesContactOf,
  wholeAccount,
  type User,
  type Principal,
  type Scope,
} from './roles';
export { KEY_SCOPES, RIGHTS, ROLES, type Action, type KeyScope, type Role } from './rights';
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
export { auditWords, type AuditView } from './audit';
export { type KeyView, type SessionView, type UserView } from './views';
