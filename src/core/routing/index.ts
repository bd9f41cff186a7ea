export { chooseFromRoster, isAway, matchingRung, turnOrder, whoOf, type Roster, type RosterMember, type Rung } from './ladder';
