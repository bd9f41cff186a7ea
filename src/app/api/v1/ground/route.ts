/** An earlier address of the same, which is kept. */
export { GET, PUT } from '../base-map/route';
