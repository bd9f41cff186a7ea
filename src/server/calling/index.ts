export { failCall, findCall, hangUp, keyOfCall, liveCallOf, reportCall, startCall, updateCall } from './calls.service';
