/** An earlier address of the same, which is kept. */
export { PUT } from '../../../users/[id]/away/route';
