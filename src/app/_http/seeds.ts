/** Answers that come with a page, so that its first drawing asks for nothing. */
import { dehydrate, QueryClient, type DehydratedState, type QueryKey } from '@tanstack/react-query';
import { jsoned } from './page';

/** @param answers by the key under which the page asks for them, as the API would answer; one that fails is asked for by the page, which says why */
export async function seedsOf(answers: [QueryKey, Promise<unknown>][]): Promise<DehydratedState> {
  const queries = new QueryClient();
  await Promise.all(
    answers.map(async ([key, answer]) => {
      const known = await answer.catch(() => undefined);
      if (known !== undefined) queries.setQueryData(key, jsoned(known));
    }),
  );
  return dehydrate(queries);
}
