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
          text: '{Hello|Good morning} {{ first_name }}, here is the one page that {% if team %}we send{% else %}I send{% endif %} every month: what homes in ',
        },
        { type: 'text', text: '{{ town | default: "Lantern County" }}', marks: [{ type: 'bold' }] },
        { type: 'text', text: ' really sold for.' },
      ],
    },
    {
      type: 'bulletList',
      content: [
        'Prices as they were signed, not as they were asked',
        'How long each home stood',
        'What is new, and open on Saturday',
      ].map((text) => ({
        type: 'listItem',
        content: [{ type: 'paragraph', content: [{ type: 'text', text }] }],
      })),
    },
    { type: 'mailButton', attrs: { label: 'Look at the homes', href: 'https://homes.tern-tiller.example/this-month' } },
    { type: 'paragraph', content: [{ type: 'text', text: '{{ agent_name }}, {{ agent_phone }}' }] },
  ],
};

const TEMPLATES: { channel: Channel; name: string; words: Words; cap?: number }[] = [
  {
    channel: 'text',
    name: 'First text to a buyer',
    words: {
      text: '{Hello|Good day} {{ first_name }}, {{ agent_first_name }} at {{ brokerage }}. You asked about homes in {{ town }}. {When may I call?|Is there an hour that suits you for a call?} Reply STOP for no more texts.',
      plain:
        'Hello, {{ agent_first_name }} at {{ brokerage }}. You asked about homes here. When may I call? Reply STOP for no more texts.',
    },
  },
  {
    channel: 'text',
    name: 'Reminder of an appointment',
    words: {
      text: 'Hello {{ first_name }}, {{ agent_first_name }} at {{ brokerage }}: we meet tomorrow. If something came up, two words are enough. Reply STOP for no more texts.',
      plain:
        'Hello, {{ agent_first_name }} at {{ brokerage }}: we meet tomorrow. If something came up, two words are enough. Reply STOP for no more texts.',
    },
    cap: 200,
  },
  {
    channel: 'email',
    name: 'What sold this month',
    words: {
      subject: '{What sold in|Prices of the month in} {{ town | default: "Lantern County" }}',
      text: '',
      plain:
        'Hello,\n\nhere is the one page of the month: what homes on the coast really sold for.\n\n{{ agent_name }}, {{ agent_phone }}',
      doc: MAIL_DOC,
    },
  },
  {
    channel: 'email',
    name: 'After the first talk',
    words: {
      subject: 'What we spoke about',
      text: 'Hello {{ first_name }},\n\nthank you for the talk. I keep an eye open in {{ town | default: "the towns you named" }} and write when something fits, not before.\n\n{{ agent_name }}',
      plain:
        'Hello,\n\nthank you for the talk. I keep an eye open and write when something fits, not before.\n\n{{ agent_name }}',
    },
  },
  {
    channel: 'letter',
    name: 'To the street of a new listing',
    words: {
      subject: 'A home near yours',
      text: 'Dear {{ first_names }},\n\na home in your street comes to the market next week. If somebody you like should be your neighbor, tell them before others do.\n\n{{ agent_name }}, {{ brokerage }}',
      plain:
        'Hello,\n\na home in your street comes to the market next week. If somebody you like should be your neighbor, tell them before others do.\n\n{{ agent_name }}, {{ brokerage }}',
    },
  },
  {
    channel: 'call',
    name: 'First call to a seller',
    words: {
      text: 'Ask {{ first_name }} why they think of selling, and by when. Listen for where they would go next. Offer half an hour at the house, and one page about their street.',
      plain: 'Ask why they think of selling, and by when. Offer half an hour at the house.',
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
