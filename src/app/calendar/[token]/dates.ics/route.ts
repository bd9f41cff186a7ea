/** The calendar of important dates at its secret address. */
import { calendarAt } from '@/server/calendar';
import { problem } from '@/app/_http/problem';

export async function GET(_: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const { token } = await params;
    return new Response(await calendarAt(token), {
      headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'private, max-age=3600' },
    });
  } catch (error) {
    return problem(error);
  }
}
