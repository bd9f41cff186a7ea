/** The operations of the account’s own words: segments, tags, fields, stages, horizons. */
import Joi from 'joi';
import { TAG_COLORS } from '@/core/tags';
import { FIELD_KINDS } from '@/core/segments';
import { OWN_STEPS } from '@/core/contacts';
import type { ChangeView } from '@/core/changes';
import type { FieldDef, SegmentView, Tree, VocabularyView } from '@/core/segments';
import { typed } from '@/core/shared';
import type { TagView } from '@/core/tags';
import type { FieldView, HorizonRow, StageRow } from '@/server/vocabulary';
import { answer, nothing, type Operation } from './operation';
import { id } from './parts';

const fieldName = Joi.string().min(1).max(60);
const fieldChoices = Joi.array().items(Joi.string().min(1).max(80)).max(200);
const words = { name: Joi.string().min(1).max(40), meaning: Joi.string().max(200).allow('') };
const wordKey = Joi.string().max(60);
const rhythm = Joi.number().integer().min(1).max(730);
const strokes = Joi.number().integer().min(1).max(4);
const tagLine = Joi.string().min(1).max(200);
const tagColor = Joi.string().valid(...TAG_COLORS);
/** Checked as a tree by the service, which knows the fields of the account. */
const tree = typed<Tree>(Joi.any());
const segmentName = Joi.string().min(1).max(80);

export const VOCABULARY_OPERATIONS = {
  getVocabulary: {
    method: 'GET',
    path: '/vocabulary',
    summary: 'The names of everything a segment may name, and the fields of the account',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<VocabularyView>(),
  },
  listSegments: {
    method: 'GET',
    path: '/segments',
    summary: 'The team’s segments and one’s own',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: SegmentView[] }>(),
  },
  createSegment: {
    method: 'POST',
    path: '/segments',
    summary: 'Keep a segment, for oneself or for the team',
    scope: 'contacts:write',
    body: Joi.object({ name: segmentName.required(), tree: tree.required(), team: Joi.boolean().default(false) }),
    answer: answer<SegmentView>(),
  },
  getSegment: {
    method: 'GET',
    path: '/segments/{id}',
    summary: 'One segment with its sentence',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<SegmentView>(),
  },
  updateSegment: {
    method: 'PATCH',
    path: '/segments/{id}',
    summary: 'Change a segment',
    scope: 'contacts:write',
    body: Joi.object({ name: segmentName, tree, team: Joi.boolean() }).min(1),
    answer: answer<SegmentView>(),
  },
  deleteSegment: {
    method: 'DELETE',
    path: '/segments/{id}',
    summary: 'Delete a segment',
    scope: 'contacts:write',
    answer: nothing,
  },
  setShelf: {
    method: 'PUT',
    path: '/shelf',
    summary: 'Lay segments on one’s shelf, in this order',
    scope: 'contacts:read',
    only: 'user',
    body: Joi.object({ segments: Joi.array().items(id).max(200).required() }),
    answer: nothing,
  },
  listTags: {
    method: 'GET',
    path: '/tags',
    summary: 'Tags with how many contacts have each',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: TagView[] }>(),
  },
  createTag: {
    method: 'POST',
    path: '/tags',
    summary: 'Make a tag, or get the one of this name',
    scope: 'contacts:write',
    body: Joi.object({ name: tagLine.required(), color: tagColor }),
    answer: answer<TagView>(),
  },
  updateTag: {
    method: 'PATCH',
    path: '/tags/{id}',
    summary: 'Rename, recolour or lock a tag, everywhere at once',
    scope: 'contacts:write',
    body: Joi.object({ name: tagLine, color: tagColor, locked: Joi.boolean() }).min(1),
    answer: answer<TagView>(),
  },
  deleteTag: {
    method: 'DELETE',
    path: '/tags/{id}',
    summary: 'Delete a tag; another may take its place. The answer is the change, which can be undone',
    scope: 'contacts:write',
    query: Joi.object({ replace_by: id }),
    answer: answer<ChangeView>(),
  },
  listFields: {
    method: 'GET',
    path: '/fields',
    summary: 'The account’s own fields',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: FieldView[] }>(),
  },
  createField: {
    method: 'POST',
    path: '/fields',
    summary: 'Make a field',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({
      name: fieldName.required(),
      kind: Joi.string()
        .valid(...FIELD_KINDS)
        .required(),
      choices: fieldChoices.default([]),
    }),
    answer: answer<FieldDef>(),
  },
  updateField: {
    method: 'PATCH',
    path: '/fields/{id}',
    summary: 'Rename a field or change its choices',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ name: fieldName, choices: fieldChoices }).min(1),
    answer: answer<FieldDef>(),
  },
  deleteField: {
    method: 'DELETE',
    path: '/fields/{id}',
    summary: 'Delete a field with everything written in it. The answer is the change, which can be undone',
    scope: 'setup:write',
    only: 'office',
    answer: answer<ChangeView>(),
  },
  listStages: {
    method: 'GET',
    path: '/stages',
    summary: 'Stages with their meaning and how many people stand there',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: StageRow[] }>(),
  },
  updateStage: {
    method: 'PATCH',
    path: '/stages',
    summary: 'Give a stage another name or meaning',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ key: wordKey.required(), ...words }),
    answer: answer<{ items: StageRow[] }>(),
  },
  createStage: {
    method: 'POST',
    path: '/stages',
    summary: 'Make a stage of one’s own, which counts as a step of the work',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({
      ...words,
      name: words.name.required(),
      meaning: words.meaning.default(''),
      counts_as: Joi.string()
        .valid(...OWN_STEPS)
        .required(),
    }),
    answer: answer<{ items: StageRow[] }>(),
  },
  deleteStage: {
    method: 'DELETE',
    path: '/stages',
    summary: 'Remove a stage; its people go to another. The answer is the change, which can be undone',
    scope: 'setup:write',
    only: 'office',
    query: Joi.object({ key: wordKey.required(), replace_by: wordKey.required() }),
    answer: answer<ChangeView>(),
  },
  createHorizon: {
    method: 'POST',
    path: '/horizons',
    summary: 'Create a horizon with its check-in rhythm and bars',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({
      ...words,
      name: words.name.required(),
      meaning: words.meaning.default(''),
      rhythm_days: rhythm.required(),
      strokes: strokes.default(1),
    }),
    answer: answer<{ items: HorizonRow[] }>(),
  },
  deleteHorizon: {
    method: 'DELETE',
    path: '/horizons',
    summary: 'Remove a horizon; its people get another, or none. The answer is the change, which can be undone',
    scope: 'setup:write',
    only: 'office',
    query: Joi.object({ key: wordKey.required(), replace_by: wordKey }),
    answer: answer<ChangeView>(),
  },
  listHorizons: {
    method: 'GET',
    path: '/horizons',
    summary: 'Horizons with their meaning and rhythm',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: HorizonRow[] }>(),
  },
  updateHorizon: {
    method: 'PATCH',
    path: '/horizons',
    summary: 'Give a horizon another name, meaning or rhythm',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ key: wordKey.required(), ...words, rhythm_days: rhythm, strokes }),
    answer: answer<{ items: HorizonRow[] }>(),
  },
} as const satisfies Record<string, Operation>;
