export { HoursFields } from './hours-fields';
export { Sentence } from './sentence';
export { Shelf } from './shelf';
export { useSegments, useTags, type Segment, type Tag } from './vocabulary';
