/** The cover of a home search as a picture, for those who share its address. */
import { ImageResponse } from 'next/og';
import { openPage } from '@/server/pages';
import { problem } from '@/app/_http/problem';
import { drawHome } from '@/ui/primitives/home-drawing';

export async function GET(_request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  try {
    const { door, brokerage, page, listings } = await openPage((await params).slug);
    const home = page.cover ? listings[page.cover] : undefined;
    const drawn = home ? `data:image/svg+xml;base64,${Buffer.from(drawHome(home, { wide: true })).toString('base64')}` : null;
    return new ImageResponse(
      <div
        style={{
          display: 'flex',
          flexDirection: 'column',
          width: '100%',
          height: '100%',
          background: '#fbfaf7',
          color: '#14171c',
        }}
      >
        {/* eslint-disable-next-line @next/next/no-img-element -- this becomes a picture, not a page */}
        {drawn && <img src={drawn} alt="" width={1200} height={440} style={{ objectFit: 'cover' }} />}
        <div style={{ display: 'flex', flexDirection: 'column', padding: '28px 48px' }}>
          <span style={{ fontSize: 52 }}>{door.name}</span>
          <span style={{ fontSize: 30, color: '#5b6470' }}>{brokerage}</span>
        </div>
      </div>,
      { width: 1200, height: 630 },
    );
  } catch (error) {
    return problem(error);
  }
}
