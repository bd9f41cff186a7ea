/** The second entry of this feature, for those who read input: words as they are sent, and what is made of an e-mail's blocks. */
import Joi from 'joi';
import { isWithin, typed } from '../shared';
import { MAIL_NODES, textOfDoc, type MailDoc, type MailNode } from './mail-doc';
import type { Words } from './words';

const MOST_NODES = 2_000;
/** Signs of the words of a message. */
const MOST_TEXT = 20_000;
const DOC_BOUNDS = { depth: 40, nodes: 20_000 };
const id = Joi.string().pattern(/^\d{1,18}$/);
const mark = Joi.object({
  type: Joi.valid('bold', 'italic', 'underline', 'strike', 'link').required(),
  attrs: Joi.object({ href: Joi.string().max(2_000).allow(null, '') })
    .unknown(true)
    .allow(null),
}).unknown(true);
const node = Joi.object({
  type: Joi.valid(...MAIL_NODES).required(),
  text: Joi.string().max(MOST_TEXT),
  attrs: Joi.object().unknown(true).allow(null),
  marks: Joi.array().max(8).items(mark),
  content: Joi.array().max(MOST_NODES).items(Joi.link('#node')),
})
  .unknown(true)
  .id('node');
const doc = typed<MailDoc>(
  Joi.object()
    .custom((value: unknown, helpers) => (isWithin(value, DOC_BOUNDS) ? value : helpers.error('object.max')))
    .concat(Joi.object({ type: Joi.valid('doc').required(), content: Joi.array().max(MOST_NODES).items(node) }).unknown(true)),
);

/** The words of a message. Of an e-mail of blocks the text is what its blocks say, whatever was sent beside them. */
export const wordsSchema = Joi.object({
  subject: Joi.string().max(300).allow(''),
  text: Joi.string().max(MOST_TEXT).allow('').required(),
  plain: Joi.string().max(MOST_TEXT).allow('').required(),
  doc: doc.allow(null),
  files: Joi.array()
    .max(10)
    .items(
      Joi.object({ id: id.required(), name: Joi.string().max(200).required(), bytes: Joi.number().integer().min(0).required() }),
    ),
})
  .example({ text: 'Hi {{ first_name }}, it’s {{ agent_first_name }}.', plain: 'Hi, it’s {{ agent_first_name }}.' })
  .custom((words: Words) => (words.doc ? { ...words, text: textOfDoc(bare(words.doc)), doc: bare(words.doc) } : words));

/** Of a document what is known here: its nodes, their words and looks, nothing that an editor adds. */
function bare(from: MailDoc): MailDoc {
  const clean = ({ type, text, attrs, marks, content }: MailNode): MailNode => ({
    type,
    ...(text === undefined ? {} : { text }),
    ...(attrs && KEPT[type] ? { attrs: Object.fromEntries(KEPT[type].map((name) => [name, attrs[name] ?? null])) } : {}),
    ...(marks?.length
      ? {
          marks: marks.map((one) =>
            one.type === 'link' ? { type: one.type, attrs: { href: one.attrs?.href ?? null } } : { type: one.type },
          ),
        }
      : {}),
    ...(content ? { content: content.map(clean) } : {}),
  });
  return { type: 'doc', content: (from.content ?? []).map(clean) };
}
const KEPT: Record<string, string[]> = {
  heading: ['level'],
  image: ['pictureId', 'alt', 'src'],
  mailButton: ['href', 'label'],
};
