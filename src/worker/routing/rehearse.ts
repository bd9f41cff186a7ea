/** A rehearsal in the background; what fails is said where it was ordered. */
import { performRehearsal } from '@/server/routing';
import { orFailRehearsal } from '../shared/or-fail';

export const rehearse = (rehearsalId: string, going: () => boolean): Promise<void> =>
  orFailRehearsal(rehearsalId, () => performRehearsal(rehearsalId, going));
