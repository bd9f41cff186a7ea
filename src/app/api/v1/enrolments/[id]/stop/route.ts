/** An earlier address of the same, which is kept. */
export { POST } from '../../../enrollments/[id]/stop/route';
