export { PREFERENCE_KEYS, readFormat, readPreferences, setPreferences } from './preferences.repository';
export { listAudit } from './audit.repository';
export { createKey, listKeys, principalOfKey, revokeKey, rotateKey } from './keys.service';
export {
  campaignsHeldSql,
  listUsers,
  brokerageName,
  readSettings,
  requirePostalAddress,
  updateSettings,
} from './users.repository';
export { sweepLoginFailures } from './login-delay.service';
export { changePassword, findReset, resetPassword } from './passwords.service';
export { askForReset, makeReset, RESET_MINUTES, sweepResets } from './resets.service';
export {
  endOtherSessions,
  endSession,
  findUser,
  hashPassword,
  listSessions,
  logIn,
  logOut,
  personOfSession,
  SESSION_SECONDS,
} from './sessions.service';
export { accountsTable } from './accounts.model';
export { officesTable } from './offices.model';
export { usersTable } from './users.model';
