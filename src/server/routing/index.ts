export { listWaitingOffers, readLadder, setAway, type LadderView, type OfferView, type RosterView } from './ladder.repository';
export { readRungs, routeByLadder, type Routed } from './route.service';
