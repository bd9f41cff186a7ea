/** The form of a public page. It works without a script; what was typed stays when something is wrong. */
import type { Block, PublicPage } from '@/core/pages';
import { html, type Html } from './html';

export interface FormState {
  values: Record<string, string>;
  errors: Record<string, string>;
  message: string | null;
  /** True once it was taken in. */
  thanked: boolean;
}
export const NEW_FORM: FormState = { values: {}, errors: {}, message: null, thanked: false };

type FormBlock = Extract<Block, { kind: 'form' }>;

const TYPED = {
  last_name: ['Last name', 'text', 'family-name'],
  email: ['Email', 'email', 'email'],
  phone: ['Phone', 'tel', 'tel'],
  city: ['Where are you looking?', 'text', 'off'],
} as const;
const ROLES = [
  ['buyer', 'buy'],
  ['seller', 'sell'],
  ['renter', 'rent'],
] as const;

export interface FormPlace {
  page: PublicPage;
  token: string;
  /** Where it is sent. */
  action: string;
  state: FormState;
}

export function formHtml(block: FormBlock, { page, token, action, state }: FormPlace): Html {
  if (state.thanked) return html`<p class="said" role="status">${block.thanks}</p>`;
  const { values, errors } = state;
  const typed = (name: string, label: string, type: string, complete: string) =>
    html`<div class="field">
      <label for="f-${name}">${label}</label>
      <input
        id="f-${name}"
        name="${name}"
        type="${type}"
        autocomplete="${complete}"
        maxlength="320"
        value="${values[name] ?? ''}"
        ${errors[name] ? html`aria-invalid="true" aria-describedby="x-${name}"` : ''}
      />
      ${errorHtml(name, errors)}
    </div>`;
  const asks = block.asks.map((ask) => {
    if (ask === 'role') return rolesHtml(values.role);
    if (ask === 'agent') return agentHtml(values);
    if (ask === 'message')
      return html`<div class="field">
        <label for="f-message">What would you like to know?</label>
        <textarea id="f-message" name="message" maxlength="6000">${values.message ?? ''}</textarea>${errorHtml('message', errors)}
      </div>`;
    const [label, type, complete] = TYPED[ask];
    return typed(ask, label, type, complete);
  });
  return html`<form method="post" action="${action}" novalidate id="visitor-form" data-thanks="${block.thanks}">
    ${state.message && html`<p class="wrong" role="alert">${state.message}</p>`}
    <input type="hidden" name="token" value="${token}" />
    <div class="trap" aria-hidden="true">
      <label>Leave this empty <input name="website" tabindex="-1" autocomplete="off" /></label>
    </div>
    ${typed('first_name', 'First name', 'text', 'given-name')} ${asks}
    ${(['text', 'call', 'email'] as const).map(
      (channel) =>
        page.permissions[channel] &&
        html`<label class="tick"
          ><input type="checkbox" name="${channel}_ok" ${values[`${channel}_ok`] === 'on' ? 'checked' : ''} />
          <span>${page.permissions[channel]}</span></label
        >`,
    )}
    <button class="go" type="submit">${block.button}</button>
  </form>`;
}

const errorHtml = (name: string, errors: Record<string, string>): Html | null =>
  errors[name] ? html`<span class="error" id="x-${name}">${errors[name]}</span>` : null;

const rolesHtml = (chosen = 'buyer'): Html =>
  html`<fieldset class="field" style="border:0;padding:0;margin:14px 0">
    <legend class="legend">I’d like to</legend>
    <div class="ways">
      ${ROLES.map(
        ([role, words]) =>
          html`<label><input type="radio" name="role" value="${role}" ${role === chosen ? 'checked' : ''} /> ${words}</label>`,
      )}
    </div>
  </fieldset>`;

const agentHtml = (values: Record<string, string>): Html =>
  html`<fieldset class="field" style="border:0;padding:0;margin:14px 0">
    <legend class="legend">Are you working with an agent?</legend>
    <div class="ways">
      ${[
        ['no', 'no'],
        ['yes', 'yes'],
      ].map(
        ([value, words]) =>
          html`<label
            ><input type="radio" name="has_agent" value="${value}" ${values.has_agent === value ? 'checked' : ''} />
            ${words}</label
          >`,
      )}
    </div>
    <div class="field">
      <label for="f-agent_name">If yes, who?</label>
      <input
        id="f-agent_name"
        name="agent_name"
        type="text"
        maxlength="120"
        autocomplete="off"
        value="${values.agent_name ?? ''}"
      />
    </div>
  </fieldset>`;
