export { ask, freshKey, Problem, wordsOf, type FieldProblem } from './api';
export { Ago, ClockProvider, Timer, useNow, useZone, when } from './clock';
export { useDraft } from './draft';
export { Fault, faultWords } from './fault';
export { Bird, Glyph, Strokes } from './glyphs';
export { nameIn, NO_WORDS, useHorizon, useVocabulary } from './vocabulary';
export { isTyping, useKeys } from './keys';
export { NoticeProvider, useNotices } from './notice';
