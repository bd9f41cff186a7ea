/** The worker's environment beside the common one: where the outside world is. Validated at the start. */
import Joi from 'joi';
import { readEnvironment } from '@/server/shared';
import { PROVIDER_VARIABLES, type ProviderVariable } from './http-providers';

export interface WorkerSettings extends Record<ProviderVariable, string> {
  SMTP_URL: string;
  SIMULATOR_URL?: string;
  MAIL_DOOR_HOST: string;
  MAIL_DOOR_PORT: number;
  WORKER_PULSE_MS: number;
}

const url = Joi.string().uri({ scheme: ['http', 'https'] });
const schema = Joi.object({
  SIMULATOR_URL: url,
  ...Object.fromEntries(PROVIDER_VARIABLES.map((name) => [name, url.default(Joi.ref('SIMULATOR_URL'))])),
  SMTP_URL: Joi.string()
    .uri({ scheme: ['smtp', 'smtps'] })
    .required(),
  MAIL_DOOR_HOST: Joi.string().hostname().default('127.0.0.1'),
  MAIL_DOOR_PORT: Joi.number().port().default(2525),
  WORKER_PULSE_MS: Joi.number().integer().min(20).max(60_000).default(1_000),
}).unknown(true);

export function workerSettings(): WorkerSettings {
  const settings = readEnvironment<WorkerSettings>(schema);
  for (const name of PROVIDER_VARIABLES) {
    if (!settings[name])
      throw new Error(`The environment is not complete:\n  ${name} is required (or SIMULATOR_URL, in the demo)`);
  }
  return settings;
}
