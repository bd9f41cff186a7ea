export { AREAS, areasFor, homeOf, type Area } from './areas';
export {
  fullName,
  KEY_SCOPES,
  may,
  mayChange,
  ROLES,
  accountOf,
  onlyOf,
  runsTheOffice,
  scopeFor,
  wholeAccount,
  type KeyScope,
  type Person,
  type Principal,
  type Role,
  type Scope,
} from './roles';
export { FROM_ANYWHERE, ONE_ACCOUNT, ONE_ADDRESS, waitAfter, type DelayRule } from './login-delay';
export { DEFAULT_SETTINGS, settingsView, type SettingsView, type Settings } from './settings';
export { type KeyView, type PersonView } from './views';
