export { PREFERENCE_KEYS, readFormat, readPreferences, setPreferences } from './preferences.repository';
export { listAudit } from './audit.repository';
export {
  mailRouteOf,
  mailRouteToCheck,
  readMailConnection,
  removeMailConnection,
  saveMailCheck,
  setMailConnection,
} from './mail-connection.service';
export {
  acceptInvitation,
  findInvitation,
  inviteAgain,
  inviteUser,
  INVITATION_DAYS,
  listUserInvitations,
  makeInvitationMail,
  revokeInvitation,
  saveInvitationMailed,
} from './user-invitations.service';
export { createOffice, listOffices, removeOffice, renameOffice } from './offices.service';
export { createCustomRole, deleteCustomRole, listCustomRoles, updateCustomRole } from './custom-roles.service';
export { readProfile, updateProfile } from './profiles.service';
export { createTeam, deleteTeam, listTeams, updateTeam } from './teams.service';
export { transferOwnership, updateUser } from './users.service';
export { createKey, listKeys, principalOfKey, revokeKey, rotateKey } from './keys.service';
export {
  CARD_SQL,
  campaignsHeldSql,
  listUsers,
  brokerageName,
  readSettings,
  requirePostalAddress,
  updateSettings,
} from './users.repository';
export { sweepLoginFailures } from './login-delay.service';
export { changePassword, findReset, goodHash, resetPassword } from './passwords.service';
export { askForReset, makeReset, RESET_MINUTES, sweepResets } from './resets.service';
export {
  endOtherSessions,
  endSession,
  findUser,
  confirmSession,
  hashPassword,
  isConfirmed,
  listSessions,
  logOut,
  openSession,
  type LoginClient,
  personOfSession,
  SESSION_SECONDS,
} from './sessions.service';
export { logIn } from './login.service';
export {
  beginTotp,
  confirmTotp,
  passSecondStep,
  personAtSecondStep,
  readLoginSecurity,
  removeTotp,
  renewRecoveryCodes,
} from './second-step.service';
export { logOutUser, resetSecondStep } from './user-logins.service';
export {
  beginPasskey,
  beginPasskeyLogin,
  logInByPasskey,
  removePasskey,
  savePasskey,
  type PasskeySite,
} from './passkeys.service';
export { CHALLENGE_SECONDS, sweepChallenges } from './challenges';
export { DEVICE_SECONDS, rememberDevice, sweepDevices } from './known-devices.service';
export { accountsTable } from './accounts.model';
export { officesTable } from './offices.model';
export { usersTable } from './users.model';
