export { attachByRung } from './attach';
export { readLadder, routesBySource, setUserAway } from './ladder.repository';
export { setLenders } from './lenders.service';
export { ladderNow } from './ladders';
export { copyRung, listLadderVersions, restoreLadder, saveLadder } from './ladder.service';
export {
  answeredByMail,
  answeredByText,
  saveAlertOutcome,
  noticeAgents,
  findAgentAlert,
  type AgentAlert,
} from './agent-alerts.service';
export { listMyOffers, listWaitingOffers, readTrace, UNTRIED } from './offers.repository';
export { acceptOffer, carryOutWindows, declineOffer, dropOffersOf, nextWindow, type Accepted } from './pass.service';
export {
  cancelRehearsal,
  failRehearsal,
  findRehearsal,
  listOutcomes,
  orderRehearsal,
  performRehearsal,
} from './rehearsals.service';
export { renameInRungs } from './rename';
export { answerInvitation, createRoster, deleteRoster, listInvitations, updateRoster, type Invitation } from './rosters.service';
export { chooseAgents } from './reassign.service';
export { handOver, planRoute, traceOf, type Planned } from './route.service';
export { handedLine, type Handing } from './walk.service';
export { rosterMembersTable } from './roster-members.model';
export { rostersTable } from './rosters.model';
export { rungsTable } from './rungs.model';
