export { listWaitingOffers, readLadder, setAway } from './ladder.repository';
export { findRung, handByRung, type Routed } from './route.service';
