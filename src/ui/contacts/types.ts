/** Contacts as pages know them, and the queries that read one. */
import { useQuery } from '@tanstack/react-query';
import type { EnrollmentView } from '@/core/campaigns';
import { showPhone } from '@/core/capture';
import type { ContactView, MoreView, PermissionsView, TimelineGroup, TimelineItem } from '@/core/contacts';
import type { Jsoned } from '@/core/shared';
import { ask } from '../primitives';

export type Contact = Jsoned<ContactView>;
export type ContactInFull = Jsoned<ContactView & PermissionsView & MoreView>;
export type TimelineLine = Jsoned<TimelineItem>;
export type Enrollment = Jsoned<EnrollmentView>;

export const nameOf = (contact: { first_name: string; last_name: string; emails?: string[]; phones?: string[] }): string =>
  `${contact.first_name} ${contact.last_name}`.trim() || contact.emails?.[0] || showPhone(contact.phones?.[0] ?? '') || 'No name';

export const useContact = (id: string) =>
  useQuery({
    queryKey: ['contact', id],
    queryFn: () => ask('GET /contacts/{id}', { params: { id } }),
    placeholderData: (before) => (before?.id === id ? before : undefined),
  });
export const useTimeline = (id: string, limit: number, group?: TimelineGroup) =>
  useQuery({
    queryKey: ['timeline', id, limit, group ?? 'all'],
    queryFn: () => ask('GET /contacts/{id}/timeline', { params: { id }, query: { limit, group } }),
    placeholderData: (before) => before,
  });
export const useEnrollments = (id: string) =>
  useQuery({ queryKey: ['enrollments', id], queryFn: () => ask('GET /contacts/{id}/enrollments', { params: { id } }) });
