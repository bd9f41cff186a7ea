'use server';
/** Asking for a link for a forgotten password. */
import { headers } from 'next/headers';
import { AppError } from '@/core/shared';
import { loginClientIn } from '@/app/_http/client';
import { askForReset } from '@/server/accounts';
import type { ForgotState } from '@/ui/accounts';

export async function askForResetAction(_before: ForgotState, form: FormData): Promise<ForgotState> {
  const email = String(form.get('email') ?? '').trim();
  if (!/^[^\s@]+@[^\s@]+$/.test(email))
    return { email, asked: false, message: 'Enter the whole email address, such as name@office.example.' };
  try {
    await askForReset(email, loginClientIn(await headers()).from);
    return { email, asked: true, message: null };
  } catch (error) {
    if (error instanceof AppError) return { email, asked: false, message: error.message };
    throw error;
  }
}
