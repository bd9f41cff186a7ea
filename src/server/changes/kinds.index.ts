/** Every kind of change, by its name. */
import type { BulkAction, ChangeKind } from '@/core/changes';
import { field } from './field.kind';
import type { Kind } from './kinds';
import { fieldGone, handOn, horizon, horizonGone, owner, roles, tagGone, tags } from './plain.kinds';
import { callList, campaign, permission, remove, stage, stageGone } from './stage-and-horizon.kinds';

const KINDS: { [K in ChangeKind]: Kind<Extract<BulkAction, { kind: K }>> } = {
  tags,
  tag_gone: tagGone,
  stage_gone: stageGone,
  horizon_gone: horizonGone,
  field_gone: fieldGone,
  stage,
  horizon,
  roles,
  owner,
  hand_on: handOn,
  field,
  permission,
  campaign,
  call_list: callList,
  delete: remove,
};

export const kindOf = (change: BulkAction): Kind => KINDS[change.kind] as unknown as Kind;
