export { requestDuplicateScan, failDuplicateScan, findDuplicates, findDuplicateScan } from './find.service';
export { listMerges, mergeContacts, undoMerge } from './merge.service';
export { declareDifferent, joinHousehold, leaveHousehold, listPairs } from './review.service';
export { splitContact, splitSchema, type SplitRequest } from './split.service';
export { sayWhose } from './whose.service';
