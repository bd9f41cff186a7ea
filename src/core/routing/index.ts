export { chooseFromRoster, isAway, matchingRung, turnOrder, whoOf, type Roster, type RosterMember, type Rung } from './ladder';
export { type LadderView, type OfferView, type RosterView } from './views';
