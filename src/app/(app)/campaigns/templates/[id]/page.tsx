/** One template. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { jsoned, orNotFound, requireUser } from '@/app/_http/page';
import { findTemplate, listVariantResults } from '@/server/templates';
import { TemplateEditor } from '@/ui/templates';

export const metadata: Metadata = { title: 'Template' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { scope } = await requireUser('campaigns');
  const { id } = await params;
  if (!/^\d{1,18}$/.test(id)) notFound();
  const template = await orNotFound(findTemplate(scope, id));
  const variants = await listVariantResults(scope, id);
  return <TemplateEditor first={{ ...jsoned(template), variants }} />;
}
