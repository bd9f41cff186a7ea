/**
 * The environment of every process, checked once by Joi when it starts: every variable that Urraca knows, also those another process needs. A
 * wrong or missing one is named in one clear sentence.
 */
import Joi from 'joi';

/** A service outside: where it is, and by what it lets us in. */
export interface OutsideService {
  url: string;
  /** The Authorization header. */
  authorization: string | null;
}

/** Services that are reached over HTTP, by the variable that begins with it: `SMS_URL`, `SMS_TOKEN`. */
const SERVICES = { sms: 'SMS', voice: 'VOICE', post: 'POST', registry: 'REGISTRY' } as const;
/** A service that is reached over HTTP. */
export type ServiceName = keyof typeof SERVICES;
const SERVICE_NAMES = Object.keys(SERVICES) as ServiceName[];

export interface Config {
  databaseUrl: string;
  secret: string;
  publicUrl: string;
  demo: boolean;
  clock: 'real' | 'simulated';
  hookSecret: string;
  mailDomain: string;
  /** Whether mail to that domain comes here; otherwise who answers is answered to the agent's own mailbox. */
  receivesMail: boolean;
  poolSize: number;
  /** Null where nothing is connected. */
  services: Record<ServiceName, OutsideService | null>;
  smtpUrl: string | null;
  simulatorUrl: string | null;
  mailDoor: { host: string; port: number };
  pulseMs: number;
  /** Webhooks may call addresses without TLS, and those of the network that the machine stands in. */
  webhooksPrivate: boolean;
}

const http = Joi.string().uri({ scheme: ['http', 'https'] });
const schema = Joi.object({
  DATABASE_URL: Joi.string()
    .uri({ scheme: ['postgres', 'postgresql'] })
    .required(),
  DATABASE_POOL: Joi.number().integer().min(2).max(100).default(10),
  URRACA_SECRET: Joi.string().min(32).required(),
  URRACA_DEMO: Joi.boolean().truthy('1').falsy('0', '').default(false),
  URRACA_CLOCK: Joi.string().valid('real', 'simulated').default('real'),
  PUBLIC_URL: http.default('http://127.0.0.1:3000'),
  PORT: Joi.number().port(),
  HOST: Joi.string().hostname(),
  TRUSTED_PROXIES: Joi.string().allow(''),
  LOG_LEVEL: Joi.string().valid('trace', 'debug', 'info', 'warn', 'error', 'fatal', 'silent'),
  HOOK_SECRET: Joi.string().min(16).required(),
  SMTP_URL: Joi.string().uri({ scheme: ['smtp', 'smtps'] }),
  MAIL_DOMAIN: Joi.string().hostname(),
  MAIL_DOOR_HOST: Joi.string().hostname().default('127.0.0.1'),
  MAIL_DOOR_PORT: Joi.number().port().default(2525),
  WORKER_PULSE_MS: Joi.number().integer().min(20).max(60_000).default(1_000),
  WEBHOOKS_PRIVATE: Joi.boolean().truthy('1').falsy('0', '').default(false),
  SIMULATOR_URL: http,
  ...Object.fromEntries(
    Object.values(SERVICES).flatMap((name) => [
      [`${name}_URL`, http],
      [`${name}_TOKEN`, Joi.string().min(8)],
    ]),
  ),
}).unknown(true);

type ServiceVariable = `${(typeof SERVICES)[ServiceName]}_${'URL' | 'TOKEN'}`;
interface Environment extends Partial<Record<ServiceVariable, string>> {
  DATABASE_URL: string;
  DATABASE_POOL: number;
  URRACA_SECRET: string;
  URRACA_DEMO: boolean;
  URRACA_CLOCK: Config['clock'];
  PUBLIC_URL: string;
  HOOK_SECRET: string;
  SMTP_URL?: string;
  SIMULATOR_URL?: string;
  MAIL_DOMAIN?: string;
  MAIL_DOOR_HOST: string;
  MAIL_DOOR_PORT: number;
  WORKER_PULSE_MS: number;
  WEBHOOKS_PRIVATE: boolean;
}

/** @throws Error naming every variable that is wrong */
function readEnvironment(): Environment {
  /* A variable that is set to nothing is not set. */
  const given = Object.fromEntries(Object.entries(process.env).filter(([, value]) => value !== ''));
  const { value, error } = schema.validate(given, { abortEarly: false, stripUnknown: true });
  if (error)
    throw new Error(
      `The environment is not complete:\n${error.details.map((detail) => `  ${detail.message.replaceAll('"', '')}`).join('\n')}`,
    );
  return value;
}

/** A name and password in its address are shown by Basic authentication (RFC 7617), a token as a bearer's (RFC 6750). */
function serviceAt(address: string | undefined, token: string | undefined): OutsideService | null {
  if (!address) return null;
  const url = new URL(address);
  const { username, password } = url;
  url.username = '';
  url.password = '';
  const pair = `${decodeURIComponent(username)}:${decodeURIComponent(password)}`;
  const basic = username || password ? `Basic ${Buffer.from(pair).toString('base64')}` : null;
  return { url: url.href.replace(/\/$/, ''), authorization: token ? `Bearer ${token}` : basic };
}

let known: Config | undefined;

export function config(): Config {
  if (known) return known;
  const env = readEnvironment();
  const service = (name: ServiceName): OutsideService | null => {
    const prefix = SERVICES[name];
    return serviceAt(env[`${prefix}_URL`] ?? env.SIMULATOR_URL, env[`${prefix}_TOKEN`]);
  };
  known = {
    databaseUrl: env.DATABASE_URL,
    secret: env.URRACA_SECRET,
    publicUrl: env.PUBLIC_URL.replace(/\/$/, ''),
    demo: env.URRACA_DEMO,
    clock: env.URRACA_CLOCK,
    hookSecret: env.HOOK_SECRET,
    mailDomain: env.MAIL_DOMAIN ?? 'post.urraca.example',
    receivesMail: Boolean(env.MAIL_DOMAIN ?? env.SIMULATOR_URL),
    poolSize: env.DATABASE_POOL,
    services: Object.fromEntries(SERVICE_NAMES.map((name) => [name, service(name)])) as Config['services'],
    smtpUrl: env.SMTP_URL ?? null,
    simulatorUrl: env.SIMULATOR_URL ?? null,
    mailDoor: { host: env.MAIL_DOOR_HOST, port: env.MAIL_DOOR_PORT },
    pulseMs: env.WORKER_PULSE_MS,
    webhooksPrivate: env.WEBHOOKS_PRIVATE || env.URRACA_DEMO,
  };
  return known;
}

/** Forgets what was read, so that the next reading sees today's environment. */
export const forgetConfig = (): void => {
  known = undefined;
};
