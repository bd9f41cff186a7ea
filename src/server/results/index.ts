export { readResults, type ResultsQuery } from './results.repository';
