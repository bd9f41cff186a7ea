'use client';
/** What can be said of one block. */
import { useMutation, useQuery } from '@tanstack/react-query';
import { FORM_FIELDS, type Block, type FormField, type PublicPage } from '@/core/pages';
import { ask, sendPicture, useToast } from '../primitives';
import './pages.css';

const FIELD_NAMES: Record<FormField, string> = {
  last_name: 'last name',
  email: 'e-mail',
  phone: 'phone',
  role: 'buy, sell or rent',
  city: 'town',
  message: 'question',
  agent: 'whether they work with an agent',
};

export function BlockFields({ block, page, onChange }: { block: Block; page: PublicPage; onChange: (block: Block) => void }) {
  switch (block.kind) {
    case 'heading':
      return (
        <input
          className="chip wide-field"
          aria-label="Words of the heading"
          maxLength={200}
          value={block.text}
          onChange={(event) => onChange({ ...block, text: event.target.value })}
        />
      );
    case 'text':
    case 'footer':
      return (
        <textarea
          className="chip wide-field"
          rows={block.kind === 'footer' ? 2 : 3}
          aria-label={block.kind === 'footer' ? 'Words of the legal footer' : 'Words'}
          maxLength={6_000}
          value={block.text}
          onChange={(event) => onChange({ ...block, text: event.target.value })}
        />
      );
    case 'picture':
      return <PictureFields block={block} onChange={onChange} />;
    case 'agent':
      return <UserField label="Who" value={block.user_id} onChange={(user_id) => onChange({ ...block, user_id })} />;
    case 'listing':
      return (
        <HomeField
          label="Which home"
          none={page.kind === 'sign_in' ? 'the home that is open' : 'none'}
          value={block.number}
          onChange={(number) => onChange({ ...block, number })}
        />
      );
    case 'homes':
      return <p className="soft small">The homes of this search, with what visitors may ask for and a map.</p>;
    case 'form':
      return (
        <div className="form-block">
          <div className="beside" role="group" aria-label="What the form asks for">
            <span className="soft small">asks for the first name and</span>
            {FORM_FIELDS.map((field) => (
              <button
                key={field}
                type="button"
                className={`chip tiny${block.asks.includes(field) ? ' on' : ''}`}
                aria-pressed={block.asks.includes(field)}
                onClick={() =>
                  onChange({ ...block, asks: FORM_FIELDS.filter((one) => block.asks.includes(one) !== (one === field)) })
                }
              >
                {FIELD_NAMES[field]}
              </button>
            ))}
          </div>
          <label className="small">
            The button says{' '}
            <input
              className="chip"
              style={{ cursor: 'text' }}
              maxLength={60}
              value={block.button}
              onChange={(event) => onChange({ ...block, button: event.target.value })}
            />
          </label>
          <label className="small">
            Afterwards the visitor reads
            <input
              className="chip wide-field"
              maxLength={600}
              value={block.thanks}
              onChange={(event) => onChange({ ...block, thanks: event.target.value })}
            />
          </label>
        </div>
      );
  }
}

type PictureBlock = Extract<Block, { kind: 'picture' }>;
function PictureFields({ block, onChange }: { block: PictureBlock; onChange: (block: Block) => void }) {
  const toast = useToast();
  const send = useMutation({
    mutationFn: async (file: File) => (await sendPicture(file)).id,
    onSuccess: (picture_id) => onChange({ ...block, picture_id }),
    onError: toast.fail,
  });
  return (
    <>
      <label className="chip tiny" style={{ cursor: 'pointer' }}>
        {send.isPending ? 'Sending it …' : block.picture_id ? 'Choose another picture' : 'Choose a picture'}
        <input
          type="file"
          accept="image/png,image/jpeg,image/gif,image/webp"
          className="unseen"
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) send.mutate(file);
          }}
        />
      </label>
      <input
        className="chip wide-field"
        aria-label="What the picture shows"
        placeholder="What it shows, for those who cannot see it"
        maxLength={300}
        value={block.alt}
        onChange={(event) => onChange({ ...block, alt: event.target.value })}
      />
    </>
  );
}

/** One of the agents, or nobody. */
export function UserField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string | null;
  onChange: (id: string | null) => void;
}) {
  const { data: users = [] } = useQuery({
    queryKey: ['users'],
    queryFn: async () => (await ask('GET /users')).items,
    staleTime: 60_000,
  });
  return (
    <label className="small">
      {label}{' '}
      <select className="chip" value={value ?? ''} onChange={(event) => onChange(event.target.value || null)}>
        <option value="">nobody</option>
        {users
          .filter(({ role }) => role !== 'lender' && role !== 'caller')
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
      </select>
    </label>
  );
}

/** One of the homes on the market, or none. */
export function HomeField({
  label,
  none,
  value,
  onChange,
}: {
  label: string;
  none: string;
  value: string | null;
  onChange: (number: string | null) => void;
}) {
  const { data: homes = [] } = useHomes();
  const known = homes.some(({ number }) => number === value);
  return (
    <label className="small">
      {label}{' '}
      <select
        className="chip"
        style={{ maxWidth: '100%' }}
        value={value ?? ''}
        onChange={(event) => onChange(event.target.value || null)}
      >
        <option value="">{none}</option>
        {value && !known && <option value={value}>{value}</option>}
        {homes.map(({ number, address }) => (
          <option key={number} value={number}>
            {address}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The homes on the market, those with an open house first. */
export const useHomes = () =>
  useQuery({
    queryKey: ['listings', 'all'],
    queryFn: async () => (await ask('GET /listings', { query: { limit: 500 } })).items,
    staleTime: 60_000,
    select: (homes) => [...homes].sort((a, b) => Number(!a.open_from) - Number(!b.open_from) || (a.address < b.address ? -1 : 1)),
  });
