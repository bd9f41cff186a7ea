'use server';
/** Accepting an invitation: the new user is logged in. */
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { loginClientIn } from '@/app/_http/client';
import { actionError, textsOf } from '@/app/_http/form-action';
import { letIn } from '@/app/_http/principal';
import { joinBrokerage } from '@/server/founding';
import type { ActionState } from '@/ui/accounts';

export async function joinAction(token: string, _before: ActionState, form: FormData): Promise<ActionState> {
  const typed = textsOf(form, ['first_name', 'last_name']);
  try {
    const password = String(form.get('password') ?? '');
    const client = loginClientIn(await headers());
    await letIn(await joinBrokerage(token, { ...typed, password }, client), client, true);
  } catch (error) {
    return actionError(error, typed);
  }
  redirect('/');
}
