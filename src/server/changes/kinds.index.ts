/** Every kind of change, by its name. */
import type { BulkAction, ChangeKind } from '@/core/changes';
import { field } from './field.kind';
import type { Kind } from './kinds';
import { fieldDeletion, handOn, horizon, horizonDeletion, owner, roles, tagDeletion, tags } from './plain.kinds';
import { callList, campaign, permission, remove, stage, stageDeletion } from './stage-and-horizon.kinds';

const KINDS: { [K in ChangeKind]: Kind<Extract<BulkAction, { kind: K }>> } = {
  tags,
  delete_tag: tagDeletion,
  delete_stage: stageDeletion,
  delete_horizon: horizonDeletion,
  delete_field: fieldDeletion,
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
