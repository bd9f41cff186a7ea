export { RoutingArea, type Ladder, type Offer, type Waiting } from './routing';
