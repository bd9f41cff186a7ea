/** What a migration is: a name that sorts, and a step that runs SQL inside one transaction. */
export interface Migration {
  name: string;
  up: (run: (sql: string) => Promise<unknown>) => Promise<unknown>;
}
