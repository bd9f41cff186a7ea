/** The demo brokerage's templates, the drafts of campaigns that it began from starters, and a broadcast that waits to be sent. */
import type { Tx } from '@/server/shared';
import { STARTERS } from '@/core/campaigns';
import type { Channel } from '@/core/contacts';
import type { Words } from '@/core/messages';
import { START } from './settings';

const DAY = 86_400_000;
const MAIL_DOC: NonNullable<Words['doc']> = {
  type: 'doc',
  content: [
    { type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: 'What sold along the coast this month' }] },
    {
      type: 'paragraph',
      content: [
        {
          type: 'text',
          text: '{Hi|Good morning} {{ first_name }}, here’s {% if team %}our{% else %}my{% endif %} monthly summary of what homes in ',
        },
        { type: 'text', text: '{{ city | default: "Lantern County" }}', marks: [{ type: 'bold' }] },
        { type: 'text', text: ' sold for.' },
      ],
    },
    {
      type: 'bulletList',
      content: ['Sold prices, not asking prices', 'Days on the market', 'New listings and Saturday open houses'].map((text) => ({
        type: 'listItem',
        content: [{ type: 'paragraph', content: [{ type: 'text', text }] }],
      })),
    },
    { type: 'mailButton', attrs: { label: 'See the homes', href: 'https://homes.tern-tiller.example/this-month' } },
    { type: 'paragraph', content: [{ type: 'text', text: '{{ agent_name }}, {{ agent_phone }}' }] },
  ],
};

const TEMPLATES: { channel: Channel; name: string; words: Words; cap?: number }[] = [
  {
    channel: 'text',
    name: 'First text to a buyer',
    words: {
      text: "{Hi|Hello} {{ first_name }}, it's {{ agent_first_name }} with {{ brokerage }}. You asked about homes in {{ city }}. {When can I call you?|When's a good time for a call?} Reply STOP to opt out.",
      plain:
        "Hi, it's {{ agent_first_name }} with {{ brokerage }}. You asked about homes in the area. When can I call you? Reply STOP to opt out.",
    },
  },
  {
    channel: 'text',
    name: 'Appointment reminder',
    words: {
      text: "Hi {{ first_name }}, it's {{ agent_first_name }} with {{ brokerage }}. Looking forward to meeting tomorrow. If anything changes, just text me. Reply STOP to opt out.",
      plain:
        "Hi, it's {{ agent_first_name }} with {{ brokerage }}. Looking forward to meeting tomorrow. If anything changes, just text me. Reply STOP to opt out.",
    },
    cap: 200,
  },
  {
    channel: 'email',
    name: 'What sold this month',
    words: {
      subject: '{What sold in|Home sales in} {{ city | default: "Lantern County" }}',
      text: '',
      plain: 'Hello,\n\nHere’s this month’s summary of what homes in the area sold for.\n\n{{ agent_name }}, {{ agent_phone }}',
      doc: MAIL_DOC,
    },
  },
  {
    channel: 'email',
    name: 'After the first call',
    words: {
      subject: 'What we talked about',
      text: 'Hi {{ first_name }},\n\nThanks for the call today. I’ll keep an eye out in {{ city | default: "the cities you mentioned" }} and email you when something fits. What did I miss?\n\n{{ agent_name }}',
      plain:
        'Hello,\n\nThanks for the call today. I’ll keep an eye out and email you when something fits. What did I miss?\n\n{{ agent_name }}',
    },
  },
  {
    channel: 'letter',
    name: 'New listing nearby',
    words: {
      subject: 'A home near yours',
      text: 'Dear {{ first_names }},\n\nA home near you is coming on the market next week. If you know anyone who’s looking to buy, please pass it along.\n\n{{ agent_name }}, {{ brokerage }}',
      plain:
        'Hello,\n\nA home near you is coming on the market next week. If you know anyone who’s looking to buy, please pass it along.\n\n{{ agent_name }}, {{ brokerage }}',
    },
  },
  {
    channel: 'call',
    name: 'First call to a seller',
    words: {
      text: 'Ask {{ first_name }} why they’re thinking of selling and when. Find out where they’d go next. Offer a half-hour visit and a one-page summary of nearby sales.',
      plain: 'Ask why they’re thinking of selling and when. Offer a half-hour visit.',
    },
  },
];

const DRAFTS = ['new_seller', 'nurture_buyer', 'birthday', 'open_house'];

export async function writeWords(tx: Tx): Promise<void> {
  const { textOfDoc } = await import('@/core/messages');
  const made = new Date(START.getTime() - 60 * DAY);
  for (const { channel, name, words, cap } of TEMPLATES)
    await tx.run(
      'insert into templates (account_id, channel, name, words, day_cap, made_by, made_at, changed_at) values (1, $1, $2, $3::jsonb, $4, 1, $5, $5)',
      [channel, name, JSON.stringify(words.doc ? { ...words, text: textOfDoc(words.doc) } : words), cap ?? null, made],
    );
  for (const key of DRAFTS) {
    const starter = STARTERS.find((one) => one.key === key)!;
    await tx.run(
      `with c as (insert into campaigns (account_id, name, state, exclusive_group, made_by, created_at) values (1, $1, 'draft', $2, 1, $3) returning id)
       insert into campaign_versions (account_id, campaign_id, number, plan, made_by, made_at) select 1, id, 1, $4::jsonb, 1, $3 from c`,
      [starter.name, starter.group, made, JSON.stringify(starter.plan)],
    );
  }
  await tx.run(
    `insert into broadcasts (account_id, name, channel, template_id, words, selection, per_minute, made_by, made_at)
     select 1, 'Prices of the month, to past clients', 'email', t.id, t.words, jsonb_build_object('segments', (select jsonb_agg(s.id::text) from segments s where s.account_id = 1 and s.name = 'Past clients')), 600, 1, $1 from templates t where t.name = 'What sold this month'`,
    [new Date(START.getTime() - DAY)],
  );
  /* Whoever wrote and still waits for us has not been read. */
  await tx.run(
    `update contacts c set wrote_at = f.last_in_at, unread_at = case when c.hand_raised_at is not null and f.last_in_at >= c.hand_raised_at then f.last_in_at end from contact_facts f where f.contact_id = c.id and f.last_in_at is not null`,
  );
}
