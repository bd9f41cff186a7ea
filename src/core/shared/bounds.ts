/** How deep and how large a value from outside may be, asked before anything walks it by recursion. */

export interface Bounds {
  depth: number;
  /** Values in it, of any kind. */
  nodes: number;
}

/** Whether a value of JSON keeps to the bounds. Takes no longer than the bounds allow, and no stack. */
export function isWithin(value: unknown, { depth, nodes }: Bounds): boolean {
  let level: unknown[] = [value];
  let seen = 0;
  for (let at = 0; level.length; at += 1) {
    if (at > depth) return false;
    const next: unknown[] = [];
    for (const one of level) {
      if ((seen += 1) > nodes) return false;
      if (typeof one === 'object' && one !== null) for (const child of Object.values(one)) next.push(child);
      if (next.length > nodes) return false;
    }
    level = next;
  }
  return true;
}
