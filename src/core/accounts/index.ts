export { AREAS, areasFor, homeOf, type Area } from './areas';
export {
  fullName,
  may,
  mayRunOffice,
  mayChange,
  ROLES,
  accountOf,
  onlyOf,
  requireSharing,
  runsTheOffice,
  scopeFor,
  seesContactOf,
  wholeAccount,
  type User,
  type Principal,
  type Role,
  type Scope,
} from './roles';
export { KEY_SCOPES, RIGHTS, type Action, type KeyScope } from './rights';
export { concerns, isMine } from './live';
export { FROM_ANYWHERE, ONE_ACCOUNT, ONE_ADDRESS, waitAfter, type DelayRule } from './login-delay';
export { DEFAULT_SETTINGS, settingsView, type SettingsView, type Settings } from './settings';
export { type KeyView, type UserView } from './views';
