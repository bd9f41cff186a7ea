/** What a contact `c` is called where people read it: the name, or how they are reached when they gave none. */
export const CALLED = `coalesce(nullif(trim(c.first_name || ' ' || c.last_name), ''),
  (select regexp_replace(value, '^\\+1(\\d{3})(\\d{3})(\\d{4})$', '(\\1) \\2-\\3') from contact_points where contact_id = c.id and active order by position, id limit 1), 'Nameless')`;
