export {
  beginExport,
  createExport,
  endExport,
  exportFile,
  failExport,
  findExport,
  keepPart,
  listExports,
  reportExport,
} from './exports.service';
export { keepMailed, readFile, readMailing } from './mailing.repository';
export { countOutgoing, outgoingPeople } from './people.repository';
export { createSchedule, deleteSchedule, listSchedules, orderDueExports } from './schedules.service';
