'use server';
/** Setting a password by a link that was mailed. */
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { AppError } from '@/core/shared';
import { loginClientIn } from '@/app/_http/client';
import { resetPassword } from '@/server/accounts';
import type { ResetState } from '@/ui/accounts';

export async function resetPasswordAction(token: string, _before: ResetState, form: FormData): Promise<ResetState> {
  try {
    await resetPassword(token, String(form.get('password') ?? ''), loginClientIn(await headers()));
  } catch (error) {
    if (!(error instanceof AppError)) throw error;
    const field = error.facts.fields?.[0];
    return { error: field?.message ?? null, message: field ? null : error.message };
  }
  redirect('/login?reset=1');
}
