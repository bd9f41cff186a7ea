export { askLook, failLook, findDuplicates, readLook } from './find.service';
export { listMerges, mergeContacts, unmerge, type MergeView } from './merge.service';
export { declareDifferent, joinHousehold, leaveHousehold, listPairs } from './review.service';
