export { OffersAbove, wasClaimedHere } from './my-offers';
export { RoutingArea } from './routing';
export type { LadderJson, MyOffer, Offer } from './shapes';
export { Trace } from './trace';
