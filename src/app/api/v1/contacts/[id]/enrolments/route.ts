/** An earlier address of the same, which is kept. */
export { GET, POST } from '../enrollments/route';
