/** An earlier address of the same, which is kept. */
export { GET, POST } from '../ab-tests/route';
