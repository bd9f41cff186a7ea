'use server';
/** Logging in from the page: checks, sets the cookie, goes on. */
import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { AppError } from '@/core/shared';
import { clientIn } from '@/app/_http/client';
import { SESSION_COOKIE } from '@/app/_http/principal';
import { logIn, SESSION_SECONDS } from '@/server/accounts';
import { config } from '@/server/shared';
import type { LoginState } from '@/ui/accounts';

export async function logInAction(_before: LoginState, form: FormData): Promise<LoginState> {
  const email = String(form.get('email') ?? '');
  const jar = await cookies();
  const from = clientIn(await headers());
  try {
    const token = await logIn(email, String(form.get('password') ?? ''), from, jar.get(SESSION_COOKIE)?.value);
    jar.set(SESSION_COOKIE, token, {
      httpOnly: true,
      sameSite: 'lax',
      path: '/',
      maxAge: SESSION_SECONDS,
      secure: config().publicUrl.startsWith('https:'),
    });
  } catch (error) {
    if (error instanceof AppError) return { email, message: error.message };
    throw error;
  }
  redirect('/');
}
