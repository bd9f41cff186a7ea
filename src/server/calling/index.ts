export {
  failCall,
  findCall,
  hangUp,
  keyOfCall,
  liveCallOf,
  reportCall,
  startCall,
  updateCall,
  type CallView,
} from './calls.service';
