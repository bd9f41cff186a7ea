export { PREFERENCE_KEYS, readPreferences, setPreferences } from './preferences.repository';
export { createKey, listKeys, principalOfKey, revokeKey, rotateKey } from './keys.service';
export { listPeople, brokerageName, readSettings, requirePostalAddress, updateSettings } from './people.repository';
export { sweepLoginFailures } from './login-delay.service';
export { findPerson, hashPassword, logIn, logOut, personOfSession, SESSION_SECONDS } from './sessions.service';
