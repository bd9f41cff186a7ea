export { createKey, listKeys, principalOfKey, revokeKey, type KeyView } from './keys.service';
export { listPeople, readAccount, readSettings, updateSettings, type PersonView } from './people.repository';
export { hashPassword, logIn, logOut, personOfSession, SESSION_SECONDS } from './sessions.service';
