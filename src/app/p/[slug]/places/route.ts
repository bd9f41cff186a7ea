/** The homes of a search as pins, with the ground they lie on. */
import { criteriaOfWords, priceWords } from '@/core/market';
import { findBaseMap } from '@/server/market';
import { openPage, placesOfSearch } from '@/server/pages';
import { problem } from '@/app/_http/problem';

export async function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  try {
    const shown = await openPage((await params).slug);
    const asked = criteriaOfWords(Object.fromEntries(new URL(request.url).searchParams));
    const homes = shown.page.kind === 'search' ? await placesOfSearch(shown, asked) : [];
    const pins = homes.flatMap((home) =>
      home.latitude === null || home.longitude === null
        ? []
        : [
            {
              id: home.number,
              title: `${home.address}, ${priceWords(home)}`,
              latitude: home.latitude,
              longitude: home.longitude,
            },
          ],
    );
    const baseMap = await findBaseMap(shown.door.accountId);
    return Response.json({ baseMap, pins, ring: asked.within ?? null }, { headers: { 'cache-control': 'no-store' } });
  } catch (error) {
    return problem(error);
  }
}
