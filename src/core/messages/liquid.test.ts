/** Fields, defaults and conditions: the quick way and the engine say the same; a value is never read as words of ours. */
import fc from 'fast-check';
import { Liquid } from 'liquidjs';
import { fieldsIn, fillWords, mergeFields, renderWords, withSender } from '.';
import { plainLiquid } from './plain-liquid';

const FIELDS = { first_name: 'Oda', city: 'Saltmarsh', agent_name: 'Asta', 'field.my boat': 'Tern' } as const;

test('a default stands in for what is not known; a condition asks; a field of one’s own has its filters too', () => {
  expect(renderWords('Hi {{ last_name | default: "there" }}', FIELDS)).toBe('Hi there');
  expect(renderWords('{% if team %}we{% else %}I{% endif %} and {{ field.My Boat | upcase }}', FIELDS)).toBe('I and TERN');
  expect(renderWords('{% if city == "Saltmarsh" and first_name %}here{% endif %}', FIELDS)).toBe('here');
  expect(renderWords('{% unless last_name %}no{% endunless %}', FIELDS)).toBe('no');
  expect(renderWords('{{ last_name }}', FIELDS)).toBeNull();
  expect(renderWords('{{ last_name | upcase }}', FIELDS)).toBeNull();
  expect(renderWords('{% if city contains "x" %}{{ last_name }}{% endif %}.', FIELDS)).toBe('.');
});

test('what the quick way takes on, it says as the engine would', () => {
  const engine = new Liquid({ strictVariables: true, lenientIf: true, ownPropertyOnly: true });
  const text: fc.Arbitrary<string> = fc.letrec<{ part: string; cond: string; all: string }>((tie) => ({
    part: fc.oneof(
      { depthSize: 'small' },
      fc.constantFrom(
        'words ',
        'a|b',
        '{x}',
        '{{ first_name }}',
        '{{ last_name }}',
        '{{city|default:"here"}}',
        "{{ last_name | default: 'you' }}",
      ),
      tie('cond'),
    ),
    cond: fc
      .tuple(
        fc.constantFrom('if', 'unless'),
        fc.constantFrom('team', 'first_name', 'last_name'),
        tie('all'),
        tie('all'),
        fc.boolean(),
      )
      .map(([tag, name, yes, no, both]) => `{% ${tag} ${name} %}${yes}${both ? `{% else %}${no}` : ''}{% end${tag} %}`),
    all: fc.array(tie('part'), { maxLength: 4 }).map((parts) => parts.join('')),
  })).all;
  const scope = { first_name: 'Oda', city: 'Saltmarsh', agent_name: 'Asta' };
  fc.assert(
    fc.property(text, (source) => {
      expect(plainLiquid(source)).not.toBeNull();
      let rendered: string | null;
      try {
        rendered = engine.parseAndRenderSync(source, scope) as string;
      } catch {
        rendered = null;
      }
      expect(renderWords(source, FIELDS)).toBe(rendered);
    }),
    { numRuns: 300 },
  );
});

test('values stand as they are in text and without effect in HTML', () => {
  const nasty = '<b>{{ city }}</b> {a|b} {% if x %}';
  const doc = {
    type: 'doc' as const,
    content: [{ type: 'paragraph', content: [{ type: 'text', text: 'Hi {{ first_name }} & {{ city }}' }] }],
  };
  const { text, html } = fillWords(
    { text: 'Hi {{ first_name }} & {{ city }}', plain: 'x', doc },
    { first_name: nasty, city: 'A' },
  );
  expect(text).toBe(`Hi ${nasty} & A`);
  expect(html).toContain('Hi &lt;b&gt;{{ city }}&lt;/b&gt; {a|b} {% if x %} &amp; A');
});

test('a value of several lines has them in HTML too, plainly filled in or by a filter', () => {
  for (const source of ['{{ agent_signature }}', '{{ agent_signature | strip }}']) {
    const doc = { type: 'doc' as const, content: [{ type: 'paragraph', content: [{ type: 'text', text: source }] }] };
    const { text, html } = fillWords({ text: source, plain: 'x', doc }, { agent_signature: 'Asta <Lund>\nCoast' });
    expect(text).toBe('Asta <Lund>\nCoast');
    expect(html).toContain('Asta &lt;Lund&gt;<br>Coast');
  }
});

test('who wrote no signature signs with name, brokerage and phone; without an agent the brokerage signs', () => {
  const of = { firstName: 'Oda', firstNames: 'Oda', lastName: '', town: null, brokerage: 'Tern' };
  const asta = { firstName: 'Asta', name: 'Asta Lund', phone: '(564) 555-0101' };
  const signed = (agent: Parameters<typeof mergeFields>[0]['agent']) => mergeFields({ ...of, agent }).agent_signature;
  expect(signed({ ...asta, signature: ' Asta, Coast desk ' })).toBe('Asta, Coast desk');
  expect(signed(asta)).toBe('Asta Lund\nTern, (564) 555-0101');
  expect(signed({ ...asta, phone: '' })).toBe('Asta Lund\nTern');
  expect(signed(null)).toBe('Tern');
});

test('words neither repeat nor read files; what cannot be read goes in the plain version', () => {
  for (const text of ['{% for a in b %}x{% endfor %}', '{% include "x" %}', '{% if %}', '{{ a | nothing }}', '{{ open'])
    expect([text, fillWords({ text, plain: 'plain' }, FIELDS)]).toEqual([
      text,
      expect.objectContaining({ text: 'plain', usedPlain: true }),
    ]);
  expect(fillWords({ text: '{{ nobody }}', plain: 'Hello {{ nobody }}, yes' }, {}).text).toBe('Hello, yes');
});

test('the fields of a text are found in fields and in conditions', () => {
  expect(
    fieldsIn(
      '{% if city == "first_name" and field.boat contains "a" %}{{ field.My Boat }}{% endif %}{{ last_name | default: "x" }}',
    ),
  ).toEqual(['city', 'field.boat', 'field.my boat', 'last_name']);
});

test('the first text says who writes and how to have no more, once', () => {
  expect(withSender('When may I call?', 'Asta', 'Tern & Tiller')).toBe(
    'When may I call? - Asta, Tern & Tiller. Reply STOP to opt out.',
  );
  expect(withSender('Asta at Tern & Tiller here. Reply STOP to opt out.', 'Asta', 'Tern & Tiller')).toBe(
    'Asta at Tern & Tiller here. Reply STOP to opt out.',
  );
  expect(withSender('Hi from Tern & Tiller', 'Tern & Tiller', 'Tern & Tiller')).toBe(
    'Hi from Tern & Tiller Reply STOP to opt out.',
  );
});
