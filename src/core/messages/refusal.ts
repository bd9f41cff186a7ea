/**
 * What an answer refuses. Consent may be revoked in any reasonable way (47 CFR 64.1200(a)(10)), so not the one word counts but what a
 * careful person would understand, in English and Spanish: no more by a channel, nothing at all, a number that is somebody else's.
 * What is no refusal for sure ("not now", "busy") is for the agent to judge.
 */
import { CHANNEL_KEYS, CHANNELS, type Channel } from '../contacts';
import { listed, ownPattern, textPattern } from '../shared';

/** What somebody refused: a channel, everything, this number, or not now. */
export type Refusal =
  /** No more by these channels. */
  | { kind: 'stop'; channels: Channel[] }
  /** Nothing any more, by whatever channel. */
  | { kind: 'stop_all' }
  /** The number or address is not that of the contact. */
  | { kind: 'wrong_person' }
  /** Perhaps; campaigns pause and the agent says. */
  | { kind: 'unclear' };

/** A refusal with how it came. */
export interface Refused {
  /** By which they answered, and what `stop` alone means. */
  channel: Channel;
  /** First and last name of the contact. */
  names: readonly string[];
}

/** So much of an answer is read. */
const MOST_SIGNS = 2_000;
const bare = (text: string): string =>
  text
    .slice(0, MOST_SIGNS)
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/['’‘`]/g, '')
    .replace(/[^\p{L}\p{N}#.,;:!?\n]/gu, ' ');
/** The clauses of an answer: what a sign or a turn of the sentence parts. */
const clausesOf = (text: string): string[] =>
  bare(text)
    .split(/[.,;:!?\n]+| but | pero /)
    .map((clause) => clause.replace(/\s+/g, ' ').trim())
    .filter(Boolean);

/** Words around a refusal that say nothing of their own. */
const FILLING =
  /\b(?:hi|hello|hey|please|pls|plz|ok|okay|thanks|thank you|thx|just|now|already|sir|maam|guys|por favor|gracias|immediately|asap)\b/g;
const BARE_STOP = new Set(
  'stop|stop it|stop this|stop that|stop these|end|quit|cancel|revoke|unsubscribe|optout|opt out|alto|pare|paren|parar|basta|ya basta|detener|detengase|cancelar|cancelar suscripcion|baja|darme de baja'.split(
    '|',
  ),
);

const CEASE = '(?:stop|quit|cease|discontinue|halt|end|enough|knock it off|no more)';
const NOT = '(?:do not|dont|never|not to|no longer|no need to ever|wish you would not)';
const REACH =
  '(?:te?xt(?:s|ing|in)?|txt(?:s|ing)?|sms(?:es|ing)?|messag(?:e|es|ing)|msgs?|e ?mail(?:s|ing)?|mail(?:s|ing|ings)?|call(?:s|ing)?|phon(?:e|ing)|ring(?:ing)?|writ(?:e|ing)|spam(?:s|ming)?|send(?:ing)?)';
const THINGS =
  '(?:te?xts?|texting|txts?|messages?|msgs?|sms|e ?mails?|mails?|mailings?|phone calls?|calls?|listings?|alerts?|stuff|spam|notifications?|updates|newsletters?)';
const ALL =
  '(?:contact(?:ing)?|bother(?:ing)?|harass(?:ing)?|reach(?:ing)? out|stalk(?:ing)?|pester(?:ing)?|hound(?:ing)?|annoy(?:ing)?)';
/** Between a refusal and what it refuses. */
const BETWEEN =
  '(?: (?:with|all|any|the|these|those|this|your|of|more|ever|me|us|to|you|please|sending|getting|receiving|want|again|this number|and|or))*';

const own = (source: string): RegExp => ownPattern(source, '');
const STOPS = [
  own(`\\b${CEASE}${BETWEEN} (?:${REACH}|${THINGS})\\b`),
  own(`\\b${CEASE} (?:sending|getting|receiving) (?:these|this|them|those|me)\\b`),
  own(`\\b${CEASE} (?:with )?(?:these|those|this)(?: (?:now|already))?$`),
  own(`(?:^|\\b(?:please|to|you|said|and|it|again|now|just|time) )stop(?: (?:now|already|again|it|this|that|these))?$`),
  own(
    `\\b${NOT}${BETWEEN} (?:te?xt|txt|message|msg|e ?mail|mail|call|phone|ring|write)(?: (?:or|and) (?:te?xt|call|e ?mail|write|message))*(?: to)?(?: (?:me|us|this|my|here|again|any ?more)\\b.*)?$`,
  ),
  own(`\\b${NOT}${BETWEEN} send(?:ing)?(?: (?:me|us|any|more|these|those|your|of))* ${THINGS}\\b`),
  own(`\\b${NOT} want${BETWEEN} ${THINGS}\\b`),
  own(`\\b(?:dont|do not|no longer) (?:want|wish) to (?:get|receive)\\b`),
  own(`^no(?: more)?(?: of)?(?: (?:phone|these|those))* (?:these|${THINGS})\\b`),
  /\bno more (?:of )?(?:these|this|those)\b/,
  /\b(?:un ?subscribe|opt(?:ing)? (?:me |us )?out|opt ?out)\b/,
  /\b(?:didnt|did not|never) (?:sign up|agree|subscribe|consent)/,
  /\b(?:ya )?no (?:me |nos )(?:mand|envi|escrib|llam|text)\w*/,
  /\b(?:dej|par)\w* de (?:mandar|enviar|escribir|llamar)\w*/,
  /\bno (?:quiero|deseo|queremos)(?: (?:recibir|mas|sus|estos))* (?:mensajes|textos|correos|llamadas)\b/,
];
const STOPS_ALL = [
  /\b(?:leave|let) (?:me|us|my family|this family) (?:alone|be)\b/,
  /\b(?:take|get|pull|strike|scratch) (?:me|us|my \p{L}+|this number|our \p{L}+)(?: \p{L}+)? (?:off|out)\b/u,
  /\b(?:remove|delete|erase|forget|lose) (?:me|us|my (?:name|number|info\p{L}*|e ?mail|contact|data|phone|cell|details)|this number|our (?:number|names?|info\p{L}*))\b/u,
  own(`\\b(?:${CEASE}|${NOT})${BETWEEN} ${ALL}\\b`),
  own(`\\bnot(?: to)?(?: ever)? ${ALL} (?:me|us)\\b`),
  /\b(?:dont|do not|never) want to hear from\b/,
  /\b(?:do not call|dnc|no call) (?:list|registry)\b/,
  /\bcease and desist\b|\bharass(?:ment|ing)\b|\b(?:report|sue) (?:you|this)\b|\bmy (?:lawyer|attorney) will\b/,
  /^(?:go away|get lost|buzz off|f off|piss off|fuck off|fuck you|screw you)\b/,
  /^stop ?(?:all|everything)\b/,
  /\b(?:dont|do not|never|not)\b.* (?:ever|again)\b.*\b(?:call|text|write|e ?mail|message)\b.*\b(?:call|text|write|e ?mail|message)\b/,
  /\b(?:dont|do not|never)\b.* ever\b.*\b(?:call|text)\b (?:or|and) (?:write|e ?mail|message)\b/,
  /\b(?:dej\p{L}*me|dejen ?nos|dejenos) (?:en paz|tranquil[oa])\b/u,
  /\b(?:borr|quit|elimin|sac|remuev)\p{L}*(?:me|nos) (?:de|del)\b/u,
  /\b(?:ya )?no (?:me|nos) (?:contact|molest)\p{L}*/u,
];
/** How a refusal is confined, so that it is a wish about when, where or what and not one to end. */
const CONFINED =
  /\b(?:after|before|until|till|during|at work|at night|so (?:early|late|often|much)|too (?:early|late|often)|today|tomorrow|this week|on (?:mon|tues|wednes|thurs|fri|satur|sun)days?|in the (?:morning|evening)|over \d|above \d|under \d|below \d|weekends?)\b/;

const WRONG = [
  /\bwrong (?:phone )?(?:number|person|guy|girl|man|woman|lady|one|contact|address|#)/,
  /\b(?:no one|nobody|no body)(?: here)? (?:here )?by that name\b/,
  /\bnumero equivocado\b|\bpersona equivocada\b|\bse equivoc\p{L}+ de (?:numero|persona)\b|\bequivocado de (?:numero|persona)\b/u,
];
/** Before a name, what says that it is another's. */
const NOT_THEM = /(?:not|isnt|no|any|named|called|belong to|who is|whos|no soy|no es|no conozco a) $/;

const UNCLEAR = [
  /\bnot (?:right )?now\b|\bnot (?:at this time|a good time|the (?:right|best) time|today|yet)\b/,
  /\bbusy\b|\bin a meeting\b|\bat work\b|\bdriving\b|\bcan ?(?:t|not) talk\b/,
  /\bnot (?:really |very |that )?(?:interested|looking|in the market|ready)\b|\bno longer (?:looking|interested|in the market)\b|\bnot looking anymore\b/,
  /^no+ ?(?:thanks?|thank you|thx|ty)?$|^no thank/,
  /^(?:maybe )?(?:later|another time|some other time)$|\bmaybe (?:later|next)\b/,
  /\b(?:im|were|all) (?:good|set)(?: thanks?| thank you)?$/,
  /\balready (?:bought|purchased|sold|found|closed|have (?:an? )?(?:agent|realtor|house|home))\b/,
  /\b(?:stay(?:ing)? put|changed (?:my|our) minds?|decided (?:not to|to stay))\b/,
  /^(?:ahora no|no gracias|mas tarde|luego|en este momento no)\b|\bno me interesa\b|\bestoy ocupad[oa]\b|\bya (?:compr|tengo agente)/,
];

/** Channels that clauses name. `message`, `write` and `send` are the one they answer by. */
function channelsOf(clauses: readonly string[], own: Channel): Channel[] {
  const named = CHANNEL_KEYS.filter((channel) => clauses.some((clause) => CHANNELS[channel].calledInAnswers.test(clause)));
  return named.length ? named : [own];
}

/** What an answer refuses; null for one that refuses nothing. */
export function readRefusal(body: string, { channel, names }: Refused): Refusal | null {
  const clauses = clausesOf(body);
  const whole = clauses.join(' ');
  if (WRONG.some((pattern) => pattern.test(whole)) || saysNotThem(whole, names)) return { kind: 'wrong_person' };
  const open = (clause: string): boolean => !CONFINED.test(clause);
  if (clauses.some((clause) => open(clause) && STOPS_ALL.some((pattern) => pattern.test(clause)))) return { kind: 'stop_all' };
  const refusing = clauses.filter((clause) => isBareStop(clause) || STOPS.some((pattern) => pattern.test(clause)));
  const stopping = refusing.filter(open);
  if (stopping.length) {
    const channels = channelsOf(stopping, channel);
    return channels.length >= CHANNEL_KEYS.length - 1 ? { kind: 'stop_all' } : { kind: 'stop', channels };
  }
  return refusing.length || clauses.some((clause) => UNCLEAR.some((pattern) => pattern.test(clause)))
    ? { kind: 'unclear' }
    : null;
}

const isBareStop = (clause: string): boolean => BARE_STOP.has(clause.replace(FILLING, ' ').replace(/\s+/g, ' ').trim());

/** `This isn't Oda`, `no Oda here`, `who is Oda`. */
const saysNotThem = (whole: string, names: readonly string[]): boolean =>
  names.some((name) => {
    const known = bare(name).trim();
    const at = known.length > 1 ? textPattern('u')`(?<!\p{L})${known}(?:s)?(?!\p{L})`.exec(whole)?.index : undefined;
    return at !== undefined && NOT_THEM.test(whole.slice(0, at));
  });

/** The one confirmation of a refusal: what has ended, and nothing that sells. Null where none is due. */
export function confirmationOf(
  refusal: Refusal,
  channel: 'text' | 'email',
  brokerage: string,
): { subject?: string; text: string } | null {
  if (refusal.kind !== 'stop' && refusal.kind !== 'stop_all') return null;
  const what =
    refusal.kind === 'stop_all'
      ? 'You won’t hear from us again.'
      : `You won’t get any more ${listed(refusal.channels.map((one) => CHANNELS[one].plural))} from us.`;
  return CHANNELS[channel].hasSubject
    ? { subject: 'You’re unsubscribed', text: `You’re unsubscribed. ${what}\n\n${brokerage}` }
    : { text: `${brokerage}: You’re unsubscribed. ${what}` };
}
