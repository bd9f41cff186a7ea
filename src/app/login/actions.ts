'use server';
/** Logging in from the page: checks, sets the cookie, goes on. */
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { AppError } from '@/core/shared';
import { keepSession, sessionToken } from '@/app/_http/principal';
import { loginClientIn } from '@/app/_http/client';
import { logIn } from '@/server/accounts';
import type { LoginState } from '@/ui/accounts';

export async function logInAction(_before: LoginState, form: FormData): Promise<LoginState> {
  const email = String(form.get('email') ?? '');
  const client = loginClientIn(await headers());
  try {
    const before = (await sessionToken()) ?? undefined;
    await keepSession(await logIn(email, String(form.get('password') ?? ''), client, before));
  } catch (error) {
    if (error instanceof AppError) return { email, message: error.message };
    throw error;
  }
  redirect('/');
}
