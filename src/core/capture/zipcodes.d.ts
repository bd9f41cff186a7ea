/** What the tests ask of the package that knows where ZIP codes lie. */
declare module 'zipcodes' {
  const zipcodes: { codes: Record<string, { zip: string; latitude: number; longitude: number; country: string }> };
  export default zipcodes;
}
