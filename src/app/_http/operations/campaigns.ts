/** The operations of campaigns: made, changed as versions, switched, and people put into them. */
import Joi from 'joi';
import { CAMPAIGN_STATES } from '@/core/campaigns';
import { planSchema } from '@/core/campaigns/schemas';
import type { CampaignRehearsalView, CampaignView, Starter, VersionPreview } from '@/core/campaigns';
import { answer, nothing, type Operation } from './operation';
import { id } from './parts';

const name = Joi.string().trim().min(1).max(80);
const plan = planSchema.required();

export const CAMPAIGN_OPERATIONS = {
  listCampaigns: {
    method: 'GET',
    path: '/campaigns',
    summary: 'List campaigns with plans and enrollment counts',
    scope: 'contacts:read',
    answer: answer<{ items: CampaignView[] }>(),
  },
  getCampaign: {
    method: 'GET',
    path: '/campaigns/{id}',
    summary: 'Get a campaign',
    scope: 'contacts:read',
    answer: answer<CampaignView>(),
  },
  listStarters: {
    method: 'GET',
    path: '/starters',
    summary: 'List starter campaigns',
    scope: 'contacts:read',
    answer: answer<{ items: readonly Starter[] }>(),
  },
  createCampaign: {
    method: 'POST',
    path: '/campaigns',
    summary: 'Create a campaign draft: blank, from a starter, or as a copy',
    scope: 'contacts:write',
    body: Joi.object({
      name: name.required(),
      starter: Joi.string().max(40).allow(null),
      copy_of: id.allow(null),
      shared: Joi.boolean(),
    })
      .oxor('starter', 'copy_of')
      .example({ name: 'New buyers', starter: 'first-days' }),
    answer: answer<CampaignView>(),
  },
  updateCampaign: {
    method: 'PATCH',
    path: '/campaigns/{id}',
    summary: 'Rename, group, turn on, pause, or turn off a campaign',
    scope: 'contacts:write',
    body: Joi.object({
      name,
      state: Joi.string().valid(...CAMPAIGN_STATES),
      group: Joi.string().max(80).allow('', null),
      shared: Joi.boolean(),
    }).min(1),
    answer: answer<CampaignView>(),
  },
  deleteCampaign: {
    method: 'DELETE',
    path: '/campaigns/{id}',
    summary: 'Delete a campaign; everyone in it stops',
    scope: 'contacts:write',
    answer: nothing,
  },
  saveCampaignPlan: {
    method: 'PUT',
    path: '/campaigns/{id}/plan',
    summary: 'Save a plan as the next version; people enrolled stay or move',
    scope: 'contacts:write',
    body: Joi.object({ plan, seen: id.required(), people: Joi.string().valid('stay', 'move').default('stay') }),
    answer: answer<CampaignView>(),
  },
  previewCampaignPlan: {
    method: 'POST',
    path: '/campaigns/{id}/plan/preview',
    summary: 'Preview moving people to a plan: who would get a touch twice or never',
    scope: 'contacts:write',
    reads: true,
    body: Joi.object({ plan }),
    answer: answer<VersionPreview>(),
  },
  orderCampaignRehearsal: {
    method: 'POST',
    path: '/campaigns/{id}/rehearsals',
    summary: 'Start a plan forecast for everyone who matches today',
    scope: 'contacts:write',
    reads: true,
    body: Joi.object({ plan, days: Joi.number().integer().min(1).max(730).default(365) }),
    answer: answer<{ id: string }>(),
  },
  getCampaignRehearsal: {
    method: 'GET',
    path: '/campaign-rehearsals/{id}',
    summary: 'Get a forecast’s progress and result',
    scope: 'contacts:read',
    answer: answer<CampaignRehearsalView>(),
  },
  enrollContact: {
    method: 'POST',
    path: '/contacts/{id}/enrollments',
    was: '/contacts/{id}/enrolments',
    summary: 'Enroll a contact in a campaign',
    scope: 'contacts:write',
    body: Joi.object({ campaign_id: id.required() }),
    answer: nothing,
  },
  holdContactCampaigns: {
    method: 'PUT',
    path: '/contacts/{id}/campaigns-held',
    summary: 'Pause or resume all campaigns for a contact',
    scope: 'contacts:write',
    body: Joi.object({ held: Joi.boolean().required() }),
    answer: nothing,
  },
  judgeRefusal: {
    method: 'PUT',
    path: '/contacts/{id}/refusal',
    summary: 'Resolve an unclear reply: stop messages, or stay in touch',
    scope: 'contacts:write',
    body: Joi.object({ ends: Joi.boolean().required() }),
    answer: nothing,
  },
} as const satisfies Record<string, Operation>;
