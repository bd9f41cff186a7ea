export {
  beginExport,
  createExport,
  endExport,
  exportFile,
  failExport,
  findExport,
  saveExportPart,
  listExports,
  reportExport,
} from './exports.service';
export { saveMailed, readFile, readMailing } from './mailing.repository';
export { countOutgoing, outgoingPeople } from './outgoing.repository';
export { createSchedule, deleteSchedule, listSchedules, orderDueExports } from './schedules.service';
