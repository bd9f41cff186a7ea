/** What is used here of fontkit, which brings no types. */
declare module 'fontkit' {
  /** @throws Error for what is no font */
  export function create(file: Uint8Array): object;
}
