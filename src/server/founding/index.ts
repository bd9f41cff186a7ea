export { foundBrokerage, type Founding, type Founded } from './found.service';
export { foundByCode, foundingState, makeFoundingCode, type FoundingForm } from './codes.service';
export { joinBrokerage } from './join.service';
export { readStart } from './start.repository';
