/** What a list of contacts was asked for, from the words of a request: search, a kept segment, a tree of its own, a number of Results. */
import { AppError } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import { hourOf } from '@/core/results';
import type { Question, Tree } from '@/core/segments';
import { readSettings } from '../accounts';
import { withTags, type ContactQuery } from '../contacts';
import { findSegment, checkTree, segmentContext } from './segments.repository';

/** @throws AppError not_found for a segment that is not there, input_invalid for a tree that cannot be read */
export async function readQuestion(scope: Scope, question: Question): Promise<Omit<ContactQuery, 'limit' | 'cursor'>> {
  const trees: Tree[] = [];
  if (question.segment) trees.push((await findSegment(scope, question.segment)).tree);
  if (question.where) trees.push(await checkTree(scope, parsed(question.where)));
  if (question.stage) trees.push({ on: 'stage', how: 'any', of: [question.stage] });
  const context = await segmentContext(scope);
  const query: Omit<ContactQuery, 'limit' | 'cursor'> = await withTags(scope, { q: question.q });
  if (trees.length) query.segment = { tree: trees.length === 1 ? trees[0]! : { all: trees }, context };
  if (question.measure) {
    const hour = question.hour ? hourOf(question.hour) : null;
    const { conversationSeconds } = await readSettings(scope.accountId);
    query.behind = {
      measure: question.measure,
      agentId: question.agent ?? null,
      from: new Date(context.at.getTime() - (question.days ?? 30) * 86_400_000),
      to: context.at,
      conversationSeconds,
      ...(question.door ? { doorId: question.door } : {}),
      ...(question.roster ? { rosterId: question.roster } : {}),
      ...(hour ? { hour } : {}),
    };
  }
  return query;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new AppError('input_invalid', 'Can’t read this segment.', { fields: [{ field: 'where', message: 'is not JSON' }] });
  }
}
