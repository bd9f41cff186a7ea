export { readResults, readSpeed, type ResultsQuery } from './results.repository';
