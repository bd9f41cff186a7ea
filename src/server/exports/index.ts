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
export { countOutgoing, outgoingPeople } from './people.repository';
