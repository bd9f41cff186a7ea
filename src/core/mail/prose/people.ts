/** Who somebody says they are, of whom another writes, and with whom they come. */
import { NAME_PARTICLES } from '../../shared';
import { personName, senderName, type NameFound } from '../values';
import { CAP, NAME, NAME_ON_LINE } from './patterns';

const INTRODUCED = new RegExp(
  `(?:\\b(?:i['’]?m|i am|my name is|my name['’]s|this is|name is|me llamo|mi nombre es|soy|ich bin|ich heiße|mein name ist|je suis|je m['’]appelle|mon nom est|mi chiamo|ik ben|mijn naam is|jeg heter|meu nome é))\\s+${NAME}`,
  'iu',
);
const COUPLE = new RegExp(
  `(?:^|[.!?:]\\s+|\\n|(?:[Mm]y|[Oo]ur) (?:clients|friends|customers|buyers|sellers|neighbou?rs),? |(?:[Mm]eet|[Ii]ntroduc(?:e|ing)|[Rr]eferring|[Ss]ending you)(?: you to)? |\\b(?:for|about|helped|met|approved|(?:couple|family|we are|we['’]re),?) )(${CAP}) (?:and|&) ${NAME}(?=[.,!]|\\s+(?:are|were|have|want|would|is|need)\\b|\\s*$)`,
  'mu',
);
const THIRD = new RegExp(
  `(?:^|[.!?:]\\s+|\\n|(?:[Mm]y|[Oo]ur|[Yy]our|[Aa]) (?:(?:past|former|dear|good|old|long-?time|close) )?(?:client|friend|customer|buyer|seller|neighbou?r|sister|brother|mother|father|mom|dad|son|daughter|cousin|aunt|uncle|niece|nephew|new (?!agent|realtor|broker|listing|lead)\\p{Ll}+|(?:hire|employee|transferee)|colleague|boss|co-?worker)(?: of (?:mine|ours))?,? )${NAME}(?=,?\\s+(?:is|has|wants|would|needs|just|saved|viewed|liked|asked|asks|called|stopped|says|said|wrote|writes|requested|inquired|starts|looks|moves|will|left)\\b)`,
  'mu',
);
const CAPITALISED = /^\p{Lu}|^[^\p{Ll}\p{Lu}]/u;

/** `It's Kofi Mensah`: only with two names, for much else is said so. */
const ITS = new RegExp(`\\b[Ii]t['’]?s\\s+(${CAP}\\s+${CAP})`, 'u');
/** `Jonquil here`. */
const HERE = new RegExp(
  `(?:^|[.!?,]\\s+)((?!(?:Come|Right|Down|Up|Over|Out|Back|In|Here|Living|Being|Moving|Look|Born|New|Just|Not|We|I|You|It|All|Everything|Everyone|Nobody|Nothing|Stop|Stay|Click|Sign|Apply|Start)\\b)${CAP}(?:\\s+${CAP})?) here(?=\\s*(?:[.,!]|$|from\\b))`,
  'mu',
);
/** The words of a name as far as they are some: `Cosmo Yates and my` is Cosmo Yates. */
function asCalled(name: string): string {
  const words = name.split(/\s+/);
  const end = words.findIndex(
    (word, n) =>
      n > 0 &&
      /^\p{Ll}/u.test(word) &&
      !NAME_PARTICLES.includes(word) &&
      !(/^(?:and|und|y|et|e)$/.test(word) && /^\p{Lu}/u.test(words[n + 1] ?? '')),
  );
  return words.slice(0, end < 0 ? undefined : end).join(' ');
}
/** Somebody who says who they are. */
export function introducedName(text: string): NameFound | null {
  const found = INTRODUCED.exec(text);
  const name =
    found && CAPITALISED.test(found[1]!) && !/^im\s/.test(found[0]) ? found[1]! : (ITS.exec(text) ?? HERE.exec(text))?.[1];
  return name ? personName(asCalled(name.split(/\s+(?=I['’]?m\b|I\b)/)[0]!)) : null;
}
/** A name with a way to reach whoever has it right behind: `Barnaby Thistle (barnaby@…, 564-555-0113)`. */
const REACHED = new RegExp(
  `${NAME_ON_LINE}(?:\\s*[,(<|–-]\\s*(?:(?:tel(?:ephone)?|phone|cell|mobile|e-?mail|at|on)[.:]?\\s+)?|[ \\t]{2,}|[ \\t]*\\n\\s*|\\s(?=\\(?\\d{3}\\)?[ .-]\\d{3}[ .-]\\d{4}))(?=[^\\s@]{1,64}@\\S|\\+?\\(?\\d{3}[)\\s.-])`,
  'gu',
);
/** `You have a message from Jocasta Wren`. */
const FROM = new RegExp(
  `\\b(?:[Mm]essage|[Ii]nquiry|[Ee]nquiry|[Rr]equest|[Ll]ead|[Qq]uestion|[Cc]all|[Cc]ontact|[Aa]pplication|[Rr]egistration|[Rr]eferral)\\s+(?:from|by)\\s+${NAME}`,
  'u',
);
/** `Message from Gulnara (+1 564-555-3121)`: one name is enough where a number stands behind it. */
const CALLED_FROM = new RegExp(
  `\\b([Mm]essage|[Ii]nquiry|[Tt]ext|[Cc]all|[Vv]oicemail|[Ll]ead)\\s+(?:from|by)\\s+${NAME_ON_LINE}\\s*[(<:-]?\\s*(?=\\+?\\(?\\d[\\d ().-]{8,})`,
  'u',
);
/** A telephone company shows the family first: `CRANE MARTHA`. */
const SHOWN = /^(\p{Lu}{2,}) (\p{Lu}{2,})$/u;
/** `On behalf of my employer, Mr. Leland Calloway`. */
const BEHALF = new RegExp(
  `\\b(?:on behalf of|in the name of|for my employer|(?:I|[Ww]e) represent|acting for)\\s+(?:(?:my|our) \\p{Ll}+,?\\s+)?(?:(?:Mr|Mrs|Ms|Dr|Prof)\\.?\\s+)?${NAME_ON_LINE}`,
  'u',
);
/** For whom somebody writes who is not the lead. */
export function onBehalfOf(text: string): NameFound | null {
  const name = BEHALF.exec(text)?.[1];
  return name?.includes(' ') && senderName(name)?.last ? personName(name) : null;
}

/** `Please meet Delphine Arceneaux.` */
const REFERRED = new RegExp(
  `\\b(?:[Mm]eet|[Ii]ntroduc(?:e|ing)(?: you to)?|[Rr]efer(?:ring)?(?: you)?|[Ss]end(?:ing)? you|[Cc]onnect(?:ing)? you with|in touch with|[Pp]assing (?:on|along))\\s+(?:(?:my|our|a) (?:\\p{L}+ )?(?:clients?|friends?|customers?|buyers?|sellers?),? )?${NAME_ON_LINE}`,
  'u',
);
/** Somebody of whom another writes. */
export function reportedName(text: string): NameFound | null {
  const behalf = onBehalfOf(text);
  if (behalf) return behalf;
  const [, how, called] = CALLED_FROM.exec(text) ?? [];
  const shown = called && /call/i.test(how!) ? SHOWN.exec(called) : null;
  if (shown) return personName(`${shown[1]}, ${shown[2]}`);
  if (called && senderName(called)) return personName(called);
  const from = FROM.exec(text)?.[1];
  if (from?.includes(' ') && senderName(from)) return personName(from);
  const couple = COUPLE.exec(text);
  if (couple) return personName(`${couple[1]} & ${couple[2]}`);
  for (const [, name] of text.matchAll(REACHED)) if (name!.includes(' ') && senderName(name!)?.last) return personName(name!);
  const referred = REFERRED.exec(text)?.[1];
  if (referred?.includes(' ') && senderName(referred)?.last) return personName(referred);
  const third = THIRD.exec(text);
  return third && third[1]!.includes(' ') && senderName(third[1]!) ? personName(third[1]!) : null;
}

const WITH = new RegExp(
  `(?<!\\p{L})(?:my|mein|meine|mi|mon|ma|mio|mia|mijn|min)\\s+(?:husband|wife|spouse|partner|fianc[ée]{1,2}|boyfriend|girlfriend|kone|mand|hustru|mann|frau|ehemann|ehefrau|marido|mujer|esposa|esposo|mari|femme|marito|moglie|man|vrouw),?\\s+(${CAP})|(?<!\\p{L})(?:kona|mannen|kjæresten|samboeren|konen|manden) (?:mi|min),?\\s+(${CAP})`,
  'iu',
);
/** The one with whom somebody writes: `My husband Anand and I`. */
export function withWhom(text: string): { first: string; last: null } | null {
  const found = WITH.exec(text);
  const name = found?.[1] ?? found?.[2];
  return name && CAPITALISED.test(name) && !/^I$/u.test(name) ? { first: name, last: null } : null;
}
