/** The address of a page as a QR code, to print. */
import QRCode from 'qrcode';
import { openPage } from '@/server/pages';
import { config } from '@/server/shared';
import { problem } from '@/app/_http/problem';

export async function GET(_request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  try {
    const { slug } = await openPage((await params).slug);
    const svg = await QRCode.toString(`${config().publicUrl}/p/${slug}`, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' });
    return new Response(svg, { headers: { 'content-type': 'image/svg+xml', 'cache-control': 'no-store' } });
  } catch (error) {
    return problem(error);
  }
}
