/** Whatever of the API is not there: a problem like every other answer of it, and not a page. */
import { AppError } from '@/core/shared';
import { problem } from '@/app/_http/problem';

const nothing = (): Response => problem(new AppError('not_found', 'There is nothing at this address of the API.'));
export { nothing as DELETE, nothing as GET, nothing as PATCH, nothing as POST, nothing as PUT };
