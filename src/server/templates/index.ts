export { forgetWords, wordsFor, type WordsOf } from './words.repository';
export {
  BROUGHT,
  checkAttached,
  checkTemplate,
  createTemplate,
  deleteTemplate,
  findTemplate,
  listTemplates,
  listVariantResults,
  updateTemplate,
} from './templates.service';
export { createChallenge, deleteChallenge, endChallenge, listChallenges } from './challenges.service';
