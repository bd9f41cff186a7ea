export {
  cancelBroadcast,
  copyBroadcast,
  createBroadcast,
  deleteBroadcast,
  findBroadcast,
  listBroadcasts,
  pauseBroadcast,
  previewReach,
  resumeBroadcast,
  startBroadcast,
  updateBroadcast,
  type BroadcastInput,
} from './broadcasts.service';
export { carryOutBroadcasts } from './fill.service';
export { listBroadcastPeople, type BroadcastPerson } from './results.repository';
export { savePrint, lettersToPrint, orderPrint, readPrint } from './print.service';
