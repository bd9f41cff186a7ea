/** An earlier address of the same, which is kept. */
export { PATCH, DELETE } from '../../ab-tests/[id]/route';
