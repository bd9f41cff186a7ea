'use client';
/** What is opened from the Dossier or the grid, and is not fetched with them. */
import { lazily } from '../primitives';

export const CallDesk = lazily(() => import('../calling').then((one) => one.CallDesk));
export const Compose = lazily(() => import('../messages').then((one) => one.Compose));
export const NextTouch = lazily(() => import('./next-touch').then((one) => one.NextTouch));
export const Note = lazily(() => import('./note').then((one) => one.Note));
export const FollowUp = lazily(() => import('./follow-up').then((one) => one.FollowUp));
export const PermissionDialog = lazily(() => import('./permission-dialog').then((one) => one.PermissionDialog));
export const ArchiveDialog = lazily(() => import('./archive-dialog').then((one) => one.ArchiveDialog));
export const ExportsDialog = lazily(() => import('../changes').then((one) => one.ExportsDialog));
export const HistoryDialog = lazily(() => import('../changes').then((one) => one.HistoryDialog));
export const CalendarDialog = lazily(() => import('./calendar-dialog').then((one) => one.CalendarDialog));
export const TagPicker = lazily(() => import('../changes').then((one) => one.TagPicker));
