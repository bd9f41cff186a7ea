export { segmentsTable } from './segments.model';
export { exactCount } from './counts';
export { readKnown } from './segment-facts.repository';
export {
  checkTree,
  createSegment,
  deleteSegment,
  findSegment,
  listSegments,
  segmentContext,
  setShelf,
  updateSegment,
} from './segments.repository';
export { nameIn, readOffered, readVocabulary } from './vocabulary.repository';
export { readQuestion } from './question';
