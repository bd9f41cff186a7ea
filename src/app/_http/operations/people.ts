/** The operations of the people of a brokerage: roles of its own, teams, profiles. */
import Joi from 'joi';
import {
  CHOSEN_RIGHT_KEYS,
  CUSTOM_BASES,
  STATE_CODES,
  TOLD_BY,
  type CustomRoleView,
  type ProfileView,
  type TeamView,
} from '@/core/accounts';
import { hoursSchema } from '@/core/routing/schemas';
import { answer, nothing, type Operation } from './operation';
import { id } from './parts';

const name = Joi.string().trim().min(1).max(60);
const rights = Joi.array()
  .items(Joi.string().valid(...CHOSEN_RIGHT_KEYS))
  .unique();
const team = Joi.object({
  name: name.required(),
  lead_id: id.allow(null).default(null),
  member_ids: Joi.array().items(id).max(500).unique().required(),
});
const number = Joi.string()
  .pattern(/^\+[1-9]\d{6,14}$/)
  .example('+15645550123');
const license = Joi.object({
  state: Joi.string()
    .valid(...STATE_CODES)
    .required(),
  number: Joi.string().trim().min(1).max(40).required().example('AB-12345'),
});
/** As Intl knows it. */
const zone = Joi.string()
  .max(60)
  .custom((given: string) => {
    Intl.DateTimeFormat('en-US', { timeZone: given });
    return given;
  })
  .example('America/Los_Angeles');
const office = { scope: 'setup:write', only: 'office' } as const;

export const PEOPLE_OPERATIONS = {
  listCustomRoles: {
    ...office,
    method: 'GET',
    path: '/custom-roles',
    summary: 'List your own roles and what they may do',
    answer: answer<{ items: CustomRoleView[] }>(),
  },
  createCustomRole: {
    ...office,
    confirm: true,
    method: 'POST',
    path: '/custom-roles',
    summary: 'Add a role that begins as agent or caller and may do more or less',
    body: Joi.object({
      name: name.required(),
      base: Joi.string()
        .valid(...CUSTOM_BASES)
        .required(),
      rights: rights.required(),
    }),
    answer: answer<CustomRoleView>(),
  },
  updateCustomRole: {
    ...office,
    confirm: true,
    method: 'PATCH',
    path: '/custom-roles/{id}',
    summary: 'Change a role of your own',
    body: Joi.object({ name, rights }).min(1),
    answer: answer<CustomRoleView>(),
  },
  deleteCustomRole: {
    ...office,
    method: 'DELETE',
    path: '/custom-roles/{id}',
    summary: 'Remove a role that nobody has',
    answer: nothing,
  },
  listTeams: {
    method: 'GET',
    path: '/teams',
    summary: 'List teams',
    scope: 'routing:read',
    answer: answer<{ items: TeamView[] }>(),
  },
  createTeam: { ...office, method: 'POST', path: '/teams', summary: 'Add a team', body: team, answer: answer<TeamView>() },
  updateTeam: {
    ...office,
    method: 'PUT',
    path: '/teams/{id}',
    summary: 'Change a team: its name, who leads it, who is on it',
    body: team,
    answer: answer<TeamView>(),
  },
  deleteTeam: { ...office, method: 'DELETE', path: '/teams/{id}', summary: 'Remove a team; its people stay', answer: nothing },
  getProfile: {
    method: 'GET',
    path: '/users/{id}/profile',
    summary: 'Get your profile, or anyone’s if you run the office',
    scope: 'contacts:read',
    only: 'user',
    lenders: true,
    answer: answer<ProfileView>(),
  },
  updateProfile: {
    method: 'PATCH',
    path: '/users/{id}/profile',
    summary: 'Change your profile, or anyone’s if you run the office',
    scope: 'contacts:read',
    only: 'user',
    lenders: true,
    body: Joi.object({
      first_name: Joi.string().trim().min(1).max(80),
      last_name: Joi.string().trim().max(80).allow(''),
      phone: number.allow(null),
      time_zone: zone,
      title: Joi.string().trim().max(80).allow(''),
      photo_id: id.allow(null),
      signature: Joi.string().max(2_000).allow(''),
      languages: Joi.array().items(Joi.string().trim().min(1).max(40)).max(20).unique(),
      licenses: Joi.array().items(license).max(60).unique('state'),
      hours: hoursSchema,
      phones: Joi.array()
        .items(Joi.object({ label: Joi.string().trim().max(40).allow('').required(), number: number.required() }))
        .max(10),
      told_by: Joi.array()
        .items(Joi.string().valid(...TOLD_BY))
        .min(1)
        .unique(),
    }).min(1),
    answer: answer<ProfileView>(),
  },
} as const satisfies Record<string, Operation>;
