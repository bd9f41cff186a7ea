export { Sentence } from './sentence';
export { Shelf } from './shelf';
export { nameIn, NO_WORDS, useSegments, useTags, useVocabulary, type Segment, type Tag } from './vocabulary';
