/** A public page: a form for visitors. No login. */
import type { Metadata } from 'next';
import { orNotFound } from '@/app/_http/page';
import { doorOfPage } from '@/server/capture';
import { InquiryForm } from '@/ui/capture';
import { sendInquiry } from './actions';

export const metadata: Metadata = { title: 'Ask an agent' };

export default async function Page({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  const door = await orNotFound(doorOfPage(slug));
  return (
    <main className="public">
      <p className="soft strong">{door.brokerage}</p>
      <h1 style={{ fontSize: 32, lineHeight: '38px' }}>{door.page.heading ?? door.name}</h1>
      <p style={{ marginTop: 8 }}>{door.page.intro}</p>
      <InquiryForm
        action={sendInquiry.bind(null, slug)}
        consent={door.page.consent ?? 'You may text me about homes.'}
        brokerage={door.brokerage}
      />
    </main>
  );
}
