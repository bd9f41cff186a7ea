export {
  deedOf,
  isTakingAway,
  LEFT_ALONE,
  previewSentence,
  restOf,
  type Change,
  type ChangeKind,
  type ChangeNames,
  type LeftAlone,
} from './change';
export { CHANGE_STATES, type ChangePreview, type ChangeState, type ChangeView, type PermissionChannelKey } from './views';
