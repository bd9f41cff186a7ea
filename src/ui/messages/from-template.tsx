'use client';
/** Choosing a template while writing to somebody or speaking with them: its words come filled in for that person. The language of words is fetched only then. */
import { useQuery } from '@tanstack/react-query';
import type { Channel } from '@/core/contacts';
import { ask } from '../primitives';
import { Select, useToast } from '../kit';

export function FromTemplate({
  channel,
  contactId,
  label,
  onFill,
}: {
  channel: Channel;
  contactId: string;
  label: string;
  onFill: (filled: { subject: string | null; text: string }) => void;
}) {
  const toast = useToast();
  const { data: templates = [] } = useQuery({
    queryKey: ['templates'],
    queryFn: async () => (await ask('GET /templates')).items,
    staleTime: 30_000,
  });
  const own = templates.filter((one) => one.channel === channel && one.findings.errors === 0);
  if (!own.length) return null;
  const choose = async (id: string) => {
    const template = own.find((one) => one.id === id);
    if (!template) return;
    try {
      const [{ fillWords }, { fields }] = await Promise.all([
        import('@/core/messages'),
        ask('GET /contacts/{id}/merge-fields', { params: { id: contactId } }),
      ]);
      const { subject, text } = fillWords(template.words, fields, { seed: `by hand ${contactId} ${id}` });
      onFill({ subject, text });
    } catch (error) {
      toast.fail(error);
    }
  };
  return (
    <Select aria-label={label} value="" onChange={(event) => void choose(event.target.value)}>
      <option value="">{label}…</option>
      {own.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Select>
  );
}
