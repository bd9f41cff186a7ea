/**
 * The contract of the API: every operation with its path, what it asks of its caller and the schemas of what it takes. Route
 * handlers are made from these, the OpenAPI document is printed from them, and a test walks them for every role.
 */
import { CAPTURE_OPERATIONS } from './capture';
import { CONTACTS_OPERATIONS } from './contacts';
import { VOCABULARY_OPERATIONS } from './vocabulary';
import { DATABASE_OPERATIONS } from './database';
import { ROUTING_OPERATIONS } from './routing';
import { CAMPAIGN_OPERATIONS } from './campaigns';
import { MESSAGE_OPERATIONS } from './messages';
import { MARKET_OPERATIONS } from './market';
import { PAGE_OPERATIONS } from './pages';
import { ACCOUNT_OPERATIONS } from './account';
import { LOGIN_OPERATIONS } from './login';
import { OFFICE_OPERATIONS } from './office';
import { PEOPLE_OPERATIONS } from './people';
import { WEBHOOK_OPERATIONS } from './webhooks';
import { CALLING_OPERATIONS } from './calling';
import { RESULTS_OPERATIONS } from './results';
import type { Operation } from './operation';

export {
  Download,
  type AnswerOf,
  type BodyOf,
  type Listed,
  type Operation,
  type ParamsOf,
  type QueryOf,
  type SentBody,
  type SentQuery,
} from './operation';

export const OPERATIONS = {
  ...CAPTURE_OPERATIONS,
  ...CONTACTS_OPERATIONS,
  ...VOCABULARY_OPERATIONS,
  ...DATABASE_OPERATIONS,
  ...ROUTING_OPERATIONS,
  ...CAMPAIGN_OPERATIONS,
  ...MESSAGE_OPERATIONS,
  ...MARKET_OPERATIONS,
  ...PAGE_OPERATIONS,
  ...CALLING_OPERATIONS,
  ...RESULTS_OPERATIONS,
  ...ACCOUNT_OPERATIONS,
  ...OFFICE_OPERATIONS,
  ...LOGIN_OPERATIONS,
  ...WEBHOOK_OPERATIONS,
  ...PEOPLE_OPERATIONS,
} as const satisfies Record<string, Operation>;

export type Operations = typeof OPERATIONS;
export type OperationId = keyof Operations;
/** Each operation by its id, for whoever walks them all. */
export const EACH_OPERATION = Object.entries(OPERATIONS) as [OperationId, Operation][];
