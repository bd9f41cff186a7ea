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
    summary: 'Get the names that segments use, and the account’s custom fields',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<VocabularyView>(),
  },
  listSegments: {
    method: 'GET',
    path: '/segments',
    summary: 'List the team’s segments and your own',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: SegmentView[] }>(),
  },
  createSegment: {
    method: 'POST',
    path: '/segments',
    summary: 'Save a segment for yourself or the team',
    scope: 'contacts:write',
    body: Joi.object({ name: segmentName.required(), tree: tree.required(), team: Joi.boolean().default(false) }),
    answer: answer<SegmentView>(),
  },
  getSegment: {
    method: 'GET',
    path: '/segments/{id}',
    summary: 'Get a segment and its sentence',
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
    summary: 'Pin segments to your shelf, in this order',
    scope: 'contacts:read',
    only: 'user',
    body: Joi.object({ segments: Joi.array().items(id).max(200).required() }),
    answer: nothing,
  },
  listTags: {
    method: 'GET',
    path: '/tags',
    summary: 'List tags with contact counts',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: TagView[] }>(),
  },
  createTag: {
    method: 'POST',
    path: '/tags',
    summary: 'Create a tag, or get the one with this name',
    scope: 'contacts:write',
    body: Joi.object({ name: tagLine.required(), color: tagColor }),
    answer: answer<TagView>(),
  },
  updateTag: {
    method: 'PATCH',
    path: '/tags/{id}',
    summary: 'Rename, recolor, or lock a tag everywhere',
    scope: 'contacts:write',
    body: Joi.object({ name: tagLine, color: tagColor, locked: Joi.boolean() }).min(1),
    answer: answer<TagView>(),
  },
  deleteTag: {
    method: 'DELETE',
    path: '/tags/{id}',
    summary: 'Delete a tag, optionally replacing it. Returns the bulk change, which can be undone',
    scope: 'contacts:write',
    query: Joi.object({ replace_by: id }),
    answer: answer<ChangeView>(),
  },
  listFields: {
    method: 'GET',
    path: '/fields',
    summary: 'List custom fields',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: FieldView[] }>(),
  },
  createField: {
    method: 'POST',
    path: '/fields',
    summary: 'Create a custom field',
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
    summary: 'Rename a custom field or change its choices',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ name: fieldName, choices: fieldChoices }).min(1),
    answer: answer<FieldDef>(),
  },
  deleteField: {
    method: 'DELETE',
    path: '/fields/{id}',
    summary: 'Delete a custom field and its values. Returns the bulk change, which can be undone',
    scope: 'setup:write',
    only: 'office',
    answer: answer<ChangeView>(),
  },
  listStages: {
    method: 'GET',
    path: '/stages',
    summary: 'List stages with their meaning and contact counts',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: StageRow[] }>(),
  },
  updateStage: {
    method: 'PATCH',
    path: '/stages',
    summary: 'Change a stage’s name or meaning',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ key: wordKey.required(), ...words }),
    answer: answer<{ items: StageRow[] }>(),
  },
  createStage: {
    method: 'POST',
    path: '/stages',
    summary: 'Create a stage',
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
    summary: 'Delete a stage and move its contacts to another. Returns the bulk change, which can be undone',
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
    summary: 'Delete a horizon and move its contacts to another, or to none. Returns the bulk change, which can be undone',
    scope: 'setup:write',
    only: 'office',
    query: Joi.object({ key: wordKey.required(), replace_by: wordKey }),
    answer: answer<ChangeView>(),
  },
  listHorizons: {
    method: 'GET',
    path: '/horizons',
    summary: 'List horizons with their meaning and check-in rhythm',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: HorizonRow[] }>(),
  },
  updateHorizon: {
    method: 'PATCH',
    path: '/horizons',
    summary: 'Change a horizon’s name, meaning, or check-in rhythm',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ key: wordKey.required(), ...words, rhythm_days: rhythm, strokes }),
    answer: answer<{ items: HorizonRow[] }>(),
  },
} as const satisfies Record<string, Operation>;
