export { ResultsArea, type Results } from './results';
