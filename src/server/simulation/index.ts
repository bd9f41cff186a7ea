export { awaitAdvance, readAdvance, requestAdvance, requireSimulation } from './advance.service';
export { beginAdvance, endAdvance, reportAdvance } from './progress.service';
