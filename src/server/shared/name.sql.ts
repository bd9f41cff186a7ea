/** The whole name of somebody in SQL: of a contact or of one of ours; empty for a contact who gave none. */

/** @param alias of the table that has `first_name` and `last_name` */
export const nameSql = (alias?: string): string => {
  const column = (name: string) => (alias ? `${alias}.${name}` : name);
  return `trim(${column('first_name')} || ' ' || ${column('last_name')})`;
};
