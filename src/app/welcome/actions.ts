'use server';
/** Founding a brokerage from the page: its owner is logged in with it. */
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { loginClientIn } from '@/app/_http/client';
import { actionError, textsOf } from '@/app/_http/form-action';
import { letIn } from '@/app/_http/principal';
import { foundByCode } from '@/server/founding';
import type { ActionState } from '@/ui/accounts';

export async function foundAction(_before: ActionState, form: FormData): Promise<ActionState> {
  const typed = textsOf(form, ['code', 'brokerage', 'time_zone', 'first_name', 'last_name', 'email']);
  try {
    const filled = { ...typed, states: form.getAll('states').map(String), password: String(form.get('password') ?? '') };
    const client = loginClientIn(await headers());
    const { owner, token } = await foundByCode(filled, client);
    await letIn({ userId: owner.id, token }, client, true);
  } catch (error) {
    return actionError(error, typed);
  }
  redirect('/setup/start');
}
