/** An earlier address of the same, which is kept. */
export { GET } from '../users/route';
