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
export { createAbTest, deleteAbTest, endAbTest, listAbTests } from './ab-tests.service';
