'use client';
/** The form of a public page: for visitors, on a phone, without a login. What was typed stays when something is wrong. */
import { useActionState } from 'react';

export interface FormState {
  values: Record<string, string>;
  faults: Record<string, string>;
  message: string | null;
  thanks: string | null;
}

const FIELDS: { name: string; label: string; type?: string; complete: string; mode?: 'tel' | 'email' }[] = [
  { name: 'first_name', label: 'First name', complete: 'given-name' },
  { name: 'last_name', label: 'Last name', complete: 'family-name' },
  { name: 'phone', label: 'Phone', type: 'tel', complete: 'tel', mode: 'tel' },
  { name: 'email', label: 'E-mail', type: 'email', complete: 'email', mode: 'email' },
  { name: 'city', label: 'Town you look in', complete: 'off' },
];

export function InquiryForm({
  action,
  consent,
  brokerage,
}: {
  action: (before: FormState, form: FormData) => Promise<FormState>;
  consent: string;
  brokerage: string;
}) {
  const [state, send, sending] = useActionState(action, { values: {}, faults: {}, message: null, thanks: null });
  if (state.thanks) {
    return (
      <p role="status" className="because" style={{ borderColor: 'var(--leaf)', background: 'var(--teal-wash)' }}>
        {state.thanks}
      </p>
    );
  }
  return (
    <form action={send} noValidate>
      {state.message && (
        <p className="late" role="alert">
          {state.message}
        </p>
      )}
      {FIELDS.map(({ name, label, type, complete, mode }) => (
        <div className="field" key={name}>
          <label htmlFor={name}>{label}</label>
          <input
            id={name}
            name={name}
            type={type ?? 'text'}
            inputMode={mode}
            autoComplete={complete}
            defaultValue={state.values[name] ?? ''}
            aria-invalid={Boolean(state.faults[name])}
            aria-describedby={state.faults[name] ? `${name}-fault` : undefined}
            maxLength={320}
          />
          {state.faults[name] && (
            <span className="fault" id={`${name}-fault`}>
              {state.faults[name]}
            </span>
          )}
        </div>
      ))}
      <div className="field">
        <label htmlFor="role">I want to</label>
        <select id="role" name="role" key={state.values.role} defaultValue={state.values.role ?? 'buyer'}>
          <option value="buyer">buy a home</option>
          <option value="seller">sell a home</option>
          <option value="renter">rent a home</option>
          <option value="landlord">let a home</option>
        </select>
      </div>
      <div className="field">
        <label htmlFor="message">Your question</label>
        <textarea id="message" name="message" rows={4} defaultValue={state.values.message ?? ''} maxLength={5000} />
      </div>
      {/* Left empty by people; filled in by programs that fill in everything. */}
      <div aria-hidden="true" className="unseen">
        <label htmlFor="website">Leave this empty</label>
        <input id="website" name="website" tabIndex={-1} autoComplete="off" />
      </div>
      <label style={{ display: 'flex', gap: 10, alignItems: 'flex-start' }}>
        <input type="checkbox" name="text_ok" defaultChecked={state.values.text_ok === 'on'} style={{ marginTop: 4 }} />
        <span className="small">{consent}</span>
      </label>
      <button type="submit" className="act main" style={{ justifyContent: 'center', padding: 12 }} disabled={sending}>
        {sending ? 'Sending …' : 'Ask an agent'}
      </button>
      <p className="soft small">{brokerage} answers by phone or e-mail. We give your details to nobody else.</p>
    </form>
  );
}
