'use server';
/** Taking in what a visitor sent. */
import { headers } from 'next/headers';
import { AppError } from '@/core/shared';
import { readInquiry } from '@/core/capture/schemas';
import { captureInquiry, doorOfPage } from '@/server/capture';
import { limitRate } from '@/server/shared';
import type { FormState } from '@/ui/capture';

const FIELD_OF: Record<string, string> = {
  'person.emails.0': 'email',
  'person.phones.0': 'phone',
  person: 'phone',
  message: 'message',
  'place.city': 'city',
  'person.first_name': 'first_name',
  'person.last_name': 'last_name',
};
const THANKS = 'Thank you. An agent has your question now and will be in touch.';

export async function sendInquiry(slug: string, _before: FormState, form: FormData): Promise<FormState> {
  const values = Object.fromEntries([...form.entries()].map(([name, value]) => [name, String(value).slice(0, 6_000)]));
  const fail = (message: string, faults: Record<string, string> = {}): FormState => ({ values, faults, message, thanks: null });
  if (values.website) return { values: {}, faults: {}, message: null, thanks: THANKS };
  try {
    const door = await doorOfPage(slug);
    const from = (await headers()).get('x-forwarded-for')?.split(',')[0]?.trim() ?? 'here';
    await limitRate(`page:${slug}:${from}`, 60, 600);
    const agreed = values.text_ok === 'on';
    const raw = {
      person: {
        first_name: values.first_name ?? '',
        last_name: values.last_name ?? '',
        emails: [values.email ?? ''].filter((one) => one.trim()),
        phones: [values.phone ?? ''].filter((one) => one.trim()),
      },
      roles: [values.role ?? 'buyer'],
      source: door.name,
      message: values.message || null,
      place: { city: values.city || null },
      permissions: { ...(agreed ? { text: true, call: true } : {}), email: true },
    };
    await captureInquiry({
      door,
      raw: { ...raw, ...(agreed ? { agreed_to: door.page.consent } : {}) },
      inquiry: readInquiry(raw),
      idempotencyKey: null,
      byPerson: null,
    });
    return { values: {}, faults: {}, message: null, thanks: THANKS };
  } catch (error) {
    if (!(error instanceof AppError))
      return fail('Something failed on our side. What you typed is still here; please try again.');
    const faults = Object.fromEntries(
      (error.facts.fields ?? []).map(({ field, message }) => [
        FIELD_OF[field] ?? 'message',
        field === 'person' ? 'A phone number or an e-mail address, so that we can answer' : message,
      ]),
    );
    return fail(Object.keys(faults).length ? 'Please look at what is marked.' : error.message, faults);
  }
}
