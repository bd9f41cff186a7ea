/** Where components' styles go in tests: nowhere. The made-up document lays nothing out, and asks every rule about every element whenever a role is looked for. */
export class StyleSheet {
  tags: [] = [];
  key: string;
  constructor({ key }: { key: string }) {
    this.key = key;
  }
  hydrate(): void {}
  insert(): void {}
  flush(): void {}
}
