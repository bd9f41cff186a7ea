/** What a form before the login gets back when it was not right: what was typed, and what is wrong, at its field or with the whole. */
export interface ActionState {
  typed: Record<string, string>;
  errors: Record<string, string>;
  message: string | null;
}
export const NO_TRY: ActionState = { typed: {}, errors: {}, message: null };
/** A form's action. */
export type FormAction = (before: ActionState, form: FormData) => Promise<ActionState>;
