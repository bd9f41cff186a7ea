/** The account's own fields: made, renamed, their choices changed. Deleting one is a change of many, which can be undone. */
import { AppError, notFound } from '@/core/shared';
import { scopeFor, type Principal } from '@/core/accounts';
import type { FieldDef } from '@/core/segments';
import { listFields } from '../contacts';
import { now, reader, writeAudit, transact } from '../shared';
import { fieldsTable } from '../contacts';

const MOST_FIELDS = 200;
export interface FieldView extends FieldDef {
  uses: number;
}
export interface FieldInputs {
  name: string;
  kind: FieldDef['kind'];
  choices: string[];
}

const invalid = (field: string, message: string): AppError =>
  new AppError('input_invalid', 'Couldn’t save the field.', { fields: [{ field, message }] });
const cleaned = (choices: string[]): string[] =>
  [...new Map(choices.map((choice) => [choice.trim().toLowerCase(), choice.trim()])).values()].filter(Boolean);

export async function listFieldsWithUses(accountId: string): Promise<FieldView[]> {
  return reader().rows<FieldView>(
    `select f.id, f.name, f.kind, f.choices, (select count(distinct v.contact_id)::int from field_values v where v.field_id = f.id) as uses from fields f where f.account_id = $1 and f.deleted_at is null order by f.position, f.id`,
    [accountId],
  );
}

export async function createField(principal: Principal, input: FieldInputs): Promise<FieldDef> {
  const { accountId } = scopeFor(principal);
  const choices = cleaned(input.choices);
  if (input.kind.startsWith('choice') && choices.length < 2) throw invalid('choices', 'enter at least two choices');
  return transact(async (tx) => {
    const known = await listFields(accountId, tx);
    if (known.length >= MOST_FIELDS)
      throw invalid('name', `there are ${MOST_FIELDS} fields already; that is more than anybody fills`);
    if (known.some(({ name }) => name.toLowerCase() === input.name.trim().toLowerCase()))
      throw invalid('name', 'another field has this name');
    const at = await now(tx);
    const made = await fieldsTable.insert(
      { account_id: accountId, name: input.name.trim(), kind: input.kind, choices, position: known.length, made_at: at },
      tx,
    );
    await writeAudit(tx, principal, accountId, 'field.create', { name: input.name, kind: input.kind }, at);
    return (await listFields(accountId, tx)).find(({ id }) => id === made.id)!;
  });
}

/** Renames a field or changes its choices. A choice that people have cannot be taken away by forgetting it. */
export async function updateField(
  principal: Principal,
  id: string,
  patch: { name?: string; choices?: string[] },
): Promise<FieldDef> {
  const { accountId } = scopeFor(principal);
  return transact(async (tx) => {
    const field = (await listFields(accountId, tx)).find((one) => one.id === id);
    if (!field) throw notFound('field');
    const choices = patch.choices && cleaned(patch.choices);
    if (choices) {
      const used = await tx.rows<{ words: string }>(
        'select distinct words from field_values where field_id = $1 and words is not null',
        [id],
      );
      const lost = field.kind.startsWith('choice') ? used.filter(({ words }) => !choices.includes(words)) : [];
      if (lost.length) throw invalid('choices', `people have “${lost[0]!.words}”. Give them another choice first`);
    }
    await fieldsTable.update({ name: patch.name?.trim() || undefined, choices }, { id }, tx);
    return (await listFields(accountId, tx)).find((one) => one.id === id)!;
  });
}
