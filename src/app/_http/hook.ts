/** A webhook from outside: its signature checked, its body by a schema, one service called. Answers 204 also to a repeat. */
import Joi from 'joi';
import { AppError } from '@/core/shared';
import { problem } from './problem';
import { readText } from './route';

const MOST_BYTES = 100_000;

/** @param verify checks the signature and answers the event's id */
export function hook<Event>(
  schema: Joi.ObjectSchema,
  verify: (headers: Headers, body: string) => string,
  take: (event: Event, eventId: string) => Promise<void>,
): (request: Request) => Promise<Response> {
  return async (request) => {
    try {
      const text = await readText(request, MOST_BYTES);
      const eventId = verify(request.headers, text);
      const { value, error } = schema.validate(parsed(text), { stripUnknown: true });
      if (error) throw new AppError('input_invalid', `This event cannot be read: ${error.message}`);
      await take(value as Event, eventId);
      return new Response(null, { status: 204 });
    } catch (error) {
      return problem(error);
    }
  };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new AppError('input_unreadable', 'The body is not JSON.');
  }
}
