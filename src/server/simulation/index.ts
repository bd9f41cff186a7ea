export { awaitAdvance, readAdvance, requestAdvance, requireSimulation, type AdvanceView } from './advance.service';
export { beginAdvance, endAdvance, reportAdvance } from './progress.service';
