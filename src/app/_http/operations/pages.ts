/** The operations of public pages and their pictures. */
import Joi from 'joi';
import { PAGE_KINDS } from '@/core/pages';
import { pageSchema } from '@/core/pages/schemas';
import type { PageView } from '@/core/pages';
import { answer, nothing, type Operation } from './operation';

const office = { scope: 'setup:write', only: 'office' } as const;

export const PAGE_OPERATIONS = {
  listPages: { method: 'GET', path: '/pages', summary: 'List public pages', ...office, answer: answer<{ items: PageView[] }>() },
  createPage: {
    method: 'POST',
    path: '/pages',
    summary: 'Create a public page with starter blocks',
    ...office,
    body: Joi.object({
      kind: Joi.string()
        .valid(...PAGE_KINDS)
        .required(),
      name: Joi.string().min(1).max(80).required(),
    }).required(),
    answer: answer<PageView>(),
  },
  getPage: { method: 'GET', path: '/pages/{id}', summary: 'Get a public page', ...office, answer: answer<PageView>() },
  updatePage: {
    method: 'PATCH',
    path: '/pages/{id}',
    summary: 'Change a public page’s name, address, source, tags, or blocks',
    ...office,
    body: Joi.object({
      name: Joi.string().min(1).max(80),
      slug: Joi.string().min(1).max(60),
      source: Joi.string().max(120).allow('', null),
      tags: Joi.array().items(Joi.string().min(1).max(80)).max(20),
      page: pageSchema,
    })
      .min(1)
      .required(),
    answer: answer<PageView>(),
  },
  deletePage: { method: 'DELETE', path: '/pages/{id}', summary: 'Unpublish a public page', ...office, answer: nothing },
} as const satisfies Record<string, Operation>;
