export { Forgot, type ForgotState } from './forgot';
export { LoginDialog } from './login-dialog';
export { Login, type LoginState } from './login';
export { Reset, ResetEnded, type ResetState } from './reset';
