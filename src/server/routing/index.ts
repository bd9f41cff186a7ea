export { listWaitingOffers, readLadder, setAway } from './ladder.repository';
export { readRungs, routeByLadder, type Routed } from './route.service';
