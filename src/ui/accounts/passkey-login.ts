/** Logging in by a passkey, from whichever page of the login. */
import { startAuthentication, type PublicKeyCredentialRequestOptionsJSON } from '@simplewebauthn/browser';

/** What the server does of it. */
export interface PasskeyActions {
  begin: () => Promise<{ options: unknown } | { message: string }>;
  /** Goes on by itself when it was right. */
  end: (response: unknown) => Promise<{ message: string }>;
}

/** @returns what was wrong; null when the owner turned away */
export async function logInByPasskey({ begin, end }: PasskeyActions): Promise<string | null> {
  const begun = await begin();
  if ('message' in begun) return begun.message;
  const response = await startAuthentication({ optionsJSON: begun.options as PublicKeyCredentialRequestOptionsJSON }).catch(
    () => null,
  );
  return response && (await end(response)).message;
}
