/** Phone numbers as people read them. Without the tables of all the world's numbers, which pages need not carry. */

/** Country calling codes of one and of two digits (ITU-T E.164); all others have three. */
const CALLING_CODE = /^\+(?:[17]|2[07]|3[0-469]|4[013-9]|5[1-8]|6[0-6]|8[1246]|9[0-58]|\d{3})/;

/** `(564) 555-0123` at home; abroad the country apart from the number, `+47 22123456`. @param e164 what is none stays as it is */
export function showPhone(e164: string): string {
  const home = /^\+1(\d{3})(\d{3})(\d{4})$/.exec(e164);
  if (home) return `(${home[1]}) ${home[2]}-${home[3]}`;
  const code = /^\+\d{7,15}$/.test(e164) ? CALLING_CODE.exec(e164)?.[0] : undefined;
  return code ? `${code} ${e164.slice(code.length)}` : e164;
}
