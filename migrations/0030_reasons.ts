/** The same reason has one code: in what is told of a campaign that was not begun, and of a change to many. */
import type { Migration } from './migration';

const up = `
update activities set because = jsonb_set(because, '{cause}', '"not_followed_up"') where kind = 'held' and because->>'why' = 'not_enrolled' and because->>'cause' = 'stage';
update changes set left_alone = (left_alone - '{in_already,worked_with}'::text[]) || jsonb_strip_nulls(jsonb_build_object('already_in', left_alone->'in_already', 'not_followed_up', left_alone->'worked_with'))
  where left_alone ?| '{in_already,worked_with}'::text[];
`;

export const reasons: Migration = { name: '0030_reasons', up: (run) => run(up) };
