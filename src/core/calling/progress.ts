/** One call as the phone network reports it: a small state machine that swallows repeats and late reports. */
import { outcomeOf, type CallState, type NetworkEnd, type CallOutcome } from './outcomes';

/** A call as far as the network has told of it. */
export interface CallProgress {
  state: CallState;
  answeredAt: Date | null;
  endedAt: Date | null;
  talkSeconds: number;
  outcome: CallOutcome | null;
}
/** One report of the phone network about a call. */
export interface CallReport {
  state: 'ringing' | 'answered' | 'voicemail' | 'ended';
  at: Date;
  end?: NetworkEnd;
}

const ORDER: Record<CallState, number> = { dialing: 0, ringing: 1, answered: 2, voicemail: 2, ended: 3 };

/** The call after a report; the same object when the report says nothing new. Talk runs from the answer to the end. */
export function progressCall(call: CallProgress, report: CallReport, conversationSeconds: number): CallProgress {
  if (ORDER[report.state] <= ORDER[call.state]) return call;
  if (report.state !== 'ended') {
    return { ...call, state: report.state, answeredAt: report.state === 'answered' ? report.at : call.answeredAt };
  }
  const end = report.end ?? (call.state === 'answered' ? 'answered' : call.state === 'voicemail' ? 'voicemail' : 'no-answer');
  const spoke = end === 'answered' && call.answeredAt !== null;
  const talkSeconds = spoke ? Math.max(0, Math.round((report.at.getTime() - call.answeredAt!.getTime()) / 1000)) : 0;
  return {
    ...call,
    state: 'ended',
    endedAt: report.at,
    talkSeconds,
    outcome: call.outcome ?? outcomeOf(end, talkSeconds, conversationSeconds),
  };
}
