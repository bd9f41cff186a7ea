export { RoutingArea, type Ladder, type Offer } from './routing';
