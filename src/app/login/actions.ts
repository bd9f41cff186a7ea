'use server';
/** Logging in from the page: the password, then a code where there is one, or a passkey alone. */
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { AppError } from '@/core/shared';
import { cookieValue, dropCookie, letIn, requirePasskeySite, sessionToken, setCookie } from '@/app/_http/principal';
import { loginClientIn } from '@/app/_http/client';
import { beginPasskeyLogin, CHALLENGE_SECONDS, logIn, logInByPasskey, passSecondStep } from '@/server/accounts';
import type { CodeState, LoginState } from '@/ui/accounts';

export async function logInAction(_before: LoginState, form: FormData): Promise<LoginState> {
  const email = String(form.get('email') ?? '');
  const client = loginClientIn(await headers());
  const got = await told(async () =>
    logIn(email, String(form.get('password') ?? ''), client, (await sessionToken()) ?? undefined),
  );
  if ('message' in got) return { email, message: got.message };
  if (got.step === 'in') await letIn(got, client);
  else await setCookie('urraca_step', got.token, CHALLENGE_SECONDS);
  redirect(got.step === 'in' ? '/' : '/login/code');
}

export async function codeAction(_before: CodeState, form: FormData): Promise<CodeState> {
  const client = loginClientIn(await headers());
  const got = await told(async () =>
    passSecondStep((await cookieValue('urraca_step')) ?? '', String(form.get('code') ?? '').slice(0, 40), client),
  );
  if ('message' in got) return { message: got.message };
  await dropCookie('urraca_step');
  await letIn({ userId: got.user.id, token: got.token }, client);
  redirect('/');
}

export async function beginPasskeyAction(): Promise<{ options: unknown } | { message: string }> {
  const site = await headers();
  const got = await told(() => beginPasskeyLogin(requirePasskeySite(site)));
  if ('message' in got) return got;
  await setCookie('urraca_step', got.token, CHALLENGE_SECONDS);
  return { options: got.options };
}

export async function endPasskeyAction(response: unknown): Promise<{ message: string }> {
  const sent = await headers();
  const client = loginClientIn(sent);
  const token = (await cookieValue('urraca_step')) ?? '';
  const got = await told(() =>
    logInByPasskey(token, response as Parameters<typeof logInByPasskey>[1], requirePasskeySite(sent), client),
  );
  if ('message' in got) return got;
  await dropCookie('urraca_step');
  await letIn(got, client);
  redirect('/');
}

/** What was done, or the sentence that says why not. @throws what is no fault of whoever logs in */
async function told<T extends object>(work: () => Promise<T>): Promise<T | { message: string }> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof AppError) return { message: error.message };
    throw error;
  }
}
