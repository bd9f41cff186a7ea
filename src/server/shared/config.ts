/** The environment of every process, checked once by Joi. A wrong or missing variable is named in one clear sentence. */
import Joi from 'joi';

export interface Config {
  databaseUrl: string;
  secret: string;
  publicUrl: string;
  demo: boolean;
  clock: 'real' | 'simulated';
  hookSecret: string;
  mailDomain: string;
  poolSize: number;
}

const schema = Joi.object({
  DATABASE_URL: Joi.string()
    .uri({ scheme: ['postgres', 'postgresql'] })
    .required(),
  URRACA_SECRET: Joi.string().min(32).required(),
  PUBLIC_URL: Joi.string()
    .uri({ scheme: ['http', 'https'] })
    .default('http://127.0.0.1:3000'),
  URRACA_DEMO: Joi.boolean().truthy('1').falsy('0', '').default(false),
  URRACA_CLOCK: Joi.string().valid('real', 'simulated').default('real'),
  HOOK_SECRET: Joi.string().min(16).required(),
  MAIL_DOMAIN: Joi.string().hostname().default('post.urraca.example'),
  DATABASE_POOL: Joi.number().integer().min(2).max(100).default(10),
}).unknown(true);

/** Reads variables against a schema. @throws Error naming every variable that is wrong. */
export function readEnvironment<T>(against: Joi.ObjectSchema, env: NodeJS.ProcessEnv = process.env): T {
  const { value, error } = against.validate(env, { abortEarly: false, stripUnknown: true });
  if (error)
    throw new Error(
      `The environment is not complete:\n${error.details.map((detail) => `  ${detail.message.replaceAll('"', '')}`).join('\n')}`,
    );
  return value as T;
}

let known: Config | undefined;

export function config(): Config {
  if (known) return known;
  const env = readEnvironment<
    Record<string, string> & { URRACA_DEMO: boolean; DATABASE_POOL: number; URRACA_CLOCK: Config['clock'] }
  >(schema);
  known = {
    databaseUrl: env.DATABASE_URL!,
    secret: env.URRACA_SECRET!,
    publicUrl: env.PUBLIC_URL!.replace(/\/$/, ''),
    demo: env.URRACA_DEMO,
    clock: env.URRACA_CLOCK,
    hookSecret: env.HOOK_SECRET!,
    mailDomain: env.MAIL_DOMAIN!,
    poolSize: env.DATABASE_POOL,
  };
  return known;
}

/** Forgets what was read, so that the next reading sees today's environment. */
export const forgetConfig = (): void => {
  known = undefined;
};
