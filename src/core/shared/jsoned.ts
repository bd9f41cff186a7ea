/** A value as it arrives over HTTP: instants are RFC 3339 text. */
export type Jsoned<T> = T extends Date
  ? string
  : T extends (infer Item)[]
    ? Jsoned<Item>[]
    : T extends object
      ? { [Key in keyof T]: Jsoned<T[Key]> }
      : T;
