/** What of `parse-address` is used: the parts of a street in the United States. */
declare module 'parse-address' {
  interface ParsedLocation {
    number?: string;
    prefix?: string;
    street?: string;
    type?: string;
    suffix?: string;
    sec_unit_num?: string;
  }
  export function parseLocation(address: string): ParsedLocation | null;
}
