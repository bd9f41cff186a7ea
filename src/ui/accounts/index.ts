export { Login, type LoginState } from './login';
