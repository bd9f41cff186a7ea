/** Lead mails of many shapes and languages, each as its sender would word it; and what is none. */
import { readLeadMail } from '.';
import type { Mail } from './mail';

const mailOf = (more: Partial<Mail> & { sender?: string }): Mail => {
  const [, name = '', address = ''] =
    /^(.*?)\s*<(.+)>$/.exec(more.sender ?? 'Brackwater Listings <leads@brackwater.example>') ?? [];
  return {
    messageId: null,
    from: { name, address },
    replyTo: [],
    subject: 'New inquiry',
    headers: {},
    text: '',
    html: '',
    attached: [],
    mails: [],
    ...more,
  };
};
const read = (more: Partial<Mail> & { sender?: string }) => readLeadMail(mailOf(more), new Date('2026-11-23T18:00:00Z'));

test.each<[string, Partial<Mail> & { sender?: string }, object]>([
  [
    'French labels',
    {
      text: 'Bonjour,\n\nNom : Delacourt\nPrénom : Élodie\nCourriel : elodie@delacourt.example\nTéléphone : +33 6 39 98 12 34\nBien : Réf. LM-4471, 12 Heron Lane, Saltmarsh\nPrix : 310 000 €\nMessage : Je souhaite visiter la maison samedi.\nAccepte d’être contactée par SMS : oui\n\nCordialement\nBrackwater',
    },
    {
      kind: 'lead',
      name: { first: 'Élodie', last: 'Delacourt' },
      emails: ['elodie@delacourt.example'],
      phones: ['+33639981234'],
      listing: { id: 'LM-4471', address: '12 Heron Lane, Saltmarsh', price: 310000 },
      message: 'Je souhaite visiter la maison samedi.',
      permissions: { text: 'granted' },
    },
  ],
  [
    'Italian, bold labels in running lines',
    {
      html: '<p>Nuova richiesta</p><p><strong>Nome:</strong> Giulia<br><strong>Cognome:</strong> Ferri<br><strong>E-mail:</strong> <a href="mailto:giulia@ferri.example">giulia@ferri.example</a><br><strong>Telefono:</strong> +39 347 555 0101<br><strong>Messaggio:</strong> Vorrei vedere la casa.</p><p>Brackwater Listings, (564) 555-0190</p>',
    },
    {
      kind: 'lead',
      name: { first: 'Giulia', last: 'Ferri' },
      emails: ['giulia@ferri.example'],
      phones: ['+393475550101'],
      message: expect.stringContaining('Vorrei vedere la casa.'),
    },
  ],
  [
    'Dutch, labels in tables within tables',
    {
      html: '<table><tr><td><table><tr><td><b>Voornaam</b></td><td>Sanne</td></tr><tr><td><b>Achternaam</b></td><td>van der Wiel</td></tr><tr><td><b>E-mailadres</b></td><td>sanne@wiel.example</td></tr><tr><td><b>Telefoonnummer</b></td><td>564-555-0161</td></tr><tr><td><b>Bericht</b></td><td>Is de tuin groot?</td></tr></table></td></tr></table>',
    },
    {
      kind: 'lead',
      name: { first: 'Sanne', last: 'van der Wiel' },
      emails: ['sanne@wiel.example'],
      phones: ['+15645550161'],
      message: 'Is de tuin groot?',
    },
  ],
  [
    'a list, and a header that lists have',
    {
      headers: { 'list-unsubscribe': '<https://brackwater.example/u>' },
      html: '<h2>You have a new lead</h2><ul><li><b>First Name:</b> Oda</li><li><b>Last Name:</b> Brandvold</li><li><b>Email:</b> oda@fjordpost.example</li><li><b>Phone:</b> 564.555.0162</li><li><b>Comments:</b> When can we see it?</li></ul>',
    },
    {
      kind: 'lead',
      name: { first: 'Oda', last: 'Brandvold' },
      emails: ['oda@fjordpost.example'],
      phones: ['+15645550162'],
      message: 'When can we see it?',
    },
  ],
  [
    'one row of columns',
    {
      html: '<table><thead><tr><th>First</th><th>Last name</th><th>E-mail address</th><th>Cell phone</th></tr></thead><tbody><tr><td>Nils</td><td>Holtby</td><td>nils@holtby.example</td><td>(564) 555-0163</td></tr></tbody></table>',
    },
    { kind: 'lead', emails: ['nils@holtby.example'], phones: ['+15645550163'] },
  ],
  [
    'labels one after another on a line',
    { text: 'Lead: Name: Imke Sorrel | Phone: (564) 555-0164 | Email: imke@sorrel.example\nSent by Brackwater Listings' },
    { kind: 'lead', name: { first: 'Imke', last: 'Sorrel' }, emails: ['imke@sorrel.example'], phones: ['+15645550164'] },
  ],
  [
    'a form with equal signs',
    {
      text: 'fullname=Teodora Quist\nemail=teodora@quist.example\nphone=5645550165\nmessage=Looking to rent a 2 bedroom place in Petrel Point, up to $2,100 a month.',
    },
    {
      kind: 'lead',
      name: { first: 'Teodora', last: 'Quist' },
      emails: ['teodora@quist.example'],
      phones: ['+15645550165'],
      roles: ['renter'],
      wants: { bedsMin: 2, priceMax: 2100, areas: ['Petrel Point'] },
    },
  ],
  [
    'a person who writes, with their own card below',
    {
      sender: 'Ansgar Pell <ansgar.pell@slowmail.example>',
      subject: 'selling in spring',
      text: 'Hello,\n\nwe want to sell our house at 18 Gull Terrace, Saltmarsh, in spring. Could somebody tell us what it would bring? Please do not call before noon.\n\nKind regards\nAnsgar Pell\n(564) 555-0166',
    },
    {
      kind: 'lead',
      name: { first: 'Ansgar', last: 'Pell' },
      emails: ['ansgar.pell@slowmail.example'],
      phones: ['+15645550166'],
      roles: ['seller'],
      listing: { address: '18 Gull Terrace, Saltmarsh' },
    },
  ],
  [
    'forwarded with the lines of an office program',
    {
      sender: 'Maren Ostby <maren@tern-tiller.example>',
      subject: 'FW: house on Weir Street',
      text: 'Yours?\n\nMaren\n(564) 555-0102\n\nFrom: Dov Lindqvist [mailto:dov@lindqvist.example]\nSent: Friday, November 20, 2026 9:12 AM\nTo: Maren Ostby\nSubject: house on Weir Street\n\nIs the house on Weir Street still for sale? My number is 564 555 0167.\n\nDov',
    },
    {
      kind: 'lead',
      name: { first: 'Dov', last: 'Lindqvist' },
      emails: ['dov@lindqvist.example'],
      phones: ['+15645550167'],
      source: 'Forwarded by Maren Ostby',
    },
  ],
  [
    'JSON with everything in one level',
    {
      text: '{"fullName":"Pia Strand","emailAddress":"pia@strand.example","phoneNumber":"+15645550168","comments":"3 bedrooms please","agentEmail":"maren@tern-tiller.example","optInSms":false}',
    },
    {
      kind: 'lead',
      name: { first: 'Pia', last: 'Strand' },
      emails: ['pia@strand.example'],
      phones: ['+15645550168'],
      wants: { bedsMin: 3 },
      permissions: { text: 'withdrawn' },
    },
  ],
])('%s', (_, mail, expected) => expect(read(mail)).toMatchObject(expected));

test.each<[string, Partial<Mail> & { sender?: string }, string]>([
  [
    'an automatic answer that says so only in its subject',
    {
      sender: 'Oda Brandvold <oda@x.example>',
      subject: 'Automatic reply: our offer',
      text: 'I am away. Call Nils, 564-555-0169.',
    },
    'not-a-lead',
  ],
  [
    'a returned mail',
    {
      sender: 'Mail Delivery System <MAILER-DAEMON@mx.example>',
      subject: 'Undelivered Mail Returned to Sender',
      text: 'x@y.example: no such user',
    },
    'not-a-lead',
  ],
  [
    'a newsletter',
    { headers: { 'list-id': '<news.example>' }, text: 'Ten ways to stage a house. Call Odalys at (564) 555-0196.' },
    'not-a-lead',
  ],
  [
    'an answer to us',
    {
      sender: 'Oda Brandvold <oda@x.example>',
      subject: 'Re: Thursday',
      headers: { 'in-reply-to': '<1@us.example>' },
      text: 'Thursday is fine.',
    },
    'reply',
  ],
  ['nothing at all', { sender: 'Brackwater <leads@brackwater.example>', text: '' }, 'needs-a-person'],
  [
    'two people in one mail',
    { text: 'Name: Oda Brandvold\nPhone: 564-555-0123\n\nName: Nils Holt\nPhone: 564-555-0124' },
    'needs-a-person',
  ],
])('%s: %s', (_, mail, kind) => expect(read(mail).kind).toBe(kind));

test('somebody who plainly writes is never taken for rubbish', () => {
  for (const text of [
    'I guarantee we can move fast! Is the watch tower house still on the market?',
    'Page one of your listing says 3 bedrooms. Is that so?',
  ])
    expect(read({ sender: 'Oda Brandvold <oda@x.example>', text }).kind).toBe('lead');
});

test('whatever comes, it ends with an answer', () => {
  for (const text of [
    '\u0000',
    ':::::',
    'Name:',
    '?'.repeat(10_000),
    'a'.repeat(200_000),
    '<table><tr><td>',
    '{"a":'.repeat(500),
    'Name: '.repeat(5_000),
  ]) {
    const began = performance.now();
    expect(['lead', 'needs-a-person', 'not-a-lead']).toContain(read({ text, html: text }).kind);
    expect(performance.now() - began).toBeLessThan(2_000);
  }
});

test.each(['email', 'address'])('an address smuggled in below another under “%s” is taken for nobody’s', (label) => {
  const text = JSON.stringify({ name: 'Bobby Lane', [label]: 'bobby@lane.example\neveryone@harvest.example', message: 'hello' });
  const found = read({ text });
  expect(found.emails).toEqual(['bobby@lane.example']);
  expect(JSON.stringify(found)).not.toContain('harvest.example');
});
