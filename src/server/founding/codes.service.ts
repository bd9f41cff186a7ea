/**
 * Founding a brokerage at /welcome: with a one-time code that whoever runs the installation reads in the terminal. Who is first has used it; on
 * real time.
 */
import { randomInt } from 'node:crypto';
import { fullName, STATE_CODES, type User } from '@/core/accounts';
import { AppError, fieldErrors } from '@/core/shared';
import Joi from 'joi';
import { findUser, goodHash, openSession, usersTable, type LoginClient } from '../accounts';
import { hashed, limitRate, now, reader, transact, writeAudit } from '../shared';
import { foundBrokerage } from './found.service';
import { foundingCodesTable } from './founding-codes.model';

/** Without letters and digits that look alike. */
const SIGNS = 'ABCDEFGHJKMNPQRSTVWXYZ23456789';
const CODE_LENGTH = 12;
const CODE_HOURS = 24;
/** Tries of one network address, and of all together: a guesser of a code of 58 bits gets nowhere. */
const TRIES = { address: 10, all: 300, seconds: 900 };

/** What is typed with or without its dashes, in either case. */
const plainCode = (typed: string): string => typed.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** Makes a code that takes the place of any before. @returns the only copy of it */
export async function makeFoundingCode(): Promise<string> {
  const code = Array.from({ length: CODE_LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join('');
  await transact(async (tx) => {
    await tx.run('delete from founding_codes');
    await foundingCodesTable.insert({ code_hash: hashed(code), ends_at: new Date(Date.now() + CODE_HOURS * 3_600_000) }, tx);
  });
  return code.replace(/(.{4})(?=.)/g, '$1-');
}

/** Whether a brokerage can be founded, and whether there is one already. */
export async function foundingState(): Promise<{ open: boolean; founded: boolean }> {
  const row = await reader().first<{ open: boolean; founded: boolean }>(
    `select exists (select 1 from founding_codes where ends_at > clock_timestamp()) as open, exists (select 1 from accounts) as founded`,
  );
  return row!;
}

/** What a founder fills in. */
export interface FoundingForm {
  code: string;
  brokerage: string;
  states: string[];
  time_zone: string;
  first_name: string;
  last_name: string;
  email: string;
  password: string;
}

const text = (most: number, problem: string): Joi.StringSchema =>
  Joi.string().trim().min(1).max(most).required().messages({ '*': problem });
const schema = Joi.object({
  code: text(40, 'Enter the one-time code from the terminal'),
  brokerage: text(120, 'Enter the name of your brokerage'),
  states: Joi.array()
    .items(Joi.string().valid(...STATE_CODES))
    .min(1)
    .required()
    .messages({ '*': 'Choose at least one state' }),
  time_zone: Joi.string()
    .custom((zone: string, helpers) => (Intl.supportedValuesOf('timeZone').includes(zone) ? zone : helpers.error('any.only')))
    .required()
    .messages({ '*': 'Choose a time zone' }),
  first_name: text(80, 'Enter your first name'),
  last_name: Joi.string().trim().max(80).allow('').required(),
  email: Joi.string().trim().lowercase().email({ tlds: false }).max(254).required().messages({ '*': 'Enter an email address' }),
  password: Joi.string().max(1_000).required().messages({ '*': 'Choose a password' }),
});

const refused = (field: string, message: string): AppError =>
  new AppError('input_invalid', 'Your brokerage wasn’t set up.', { fields: [{ field, message }] });

/**
 * Founds a brokerage and logs its owner in. The code is used up with it, and with nothing less.
 * @returns the owner, and the token of a session
 * @throws AppError input_invalid with what is wrong at its field; too_many
 */
export async function foundByCode(form: FoundingForm, client: LoginClient): Promise<{ owner: User; token: string }> {
  await limitRate(`founding:${client.from}`, TRIES.address, TRIES.seconds);
  await limitRate('founding', TRIES.all, TRIES.seconds);
  const { value, error } = schema.validate(form, { abortEarly: false }) as { value: FoundingForm; error?: Joi.ValidationError };
  if (error) throw new AppError('input_invalid', 'Your brokerage wasn’t set up.', { fields: fieldErrors(error) });
  const about = [fullName({ firstName: value.first_name, lastName: value.last_name }), value.email, value.brokerage];
  const passwordHash = await goodHash(value.password, about, (message) => refused('password', message));
  const { ownerId, token } = await transact(async (tx) => {
    const used = await tx.rows(
      'delete from founding_codes where code_hash = $1 and ends_at > clock_timestamp() returning made_at',
      [hashed(plainCode(value.code))],
    );
    if (!used.length) throw refused('code', 'This code isn’t right, or it was used already. Start Urraca again for a new one');
    if (await usersTable.find({ email: value.email }, tx)) throw refused('email', 'This email already has a login here');
    const { brokerage: name, time_zone: timeZone, states, first_name: firstName, last_name: lastName, email } = value;
    const { accountId, userIds } = await foundBrokerage(
      tx,
      {
        name,
        timeZone,
        settings: { states, ...NEW_GUARDRAILS },
        offices: [name],
        users: [{ role: 'owner', firstName, lastName, email, phone: null, passwordHash, office: 0 }],
      },
      await now(tx),
    );
    const id = userIds[0]!;
    await writeAudit(tx, null, accountId, 'founded the brokerage', { owner: email, from: client.from }, await now(tx));
    return { ownerId: id, token: await openSession(tx, id, client) };
  });
  return { owner: (await findUser(ownerId))!, token };
}

/** Eight to eight is allowed in every state; some of them end at eight where the federal rule ends at nine. */
const NEW_GUARDRAILS = { sendStart: '08:00', sendEnd: '20:00' };
