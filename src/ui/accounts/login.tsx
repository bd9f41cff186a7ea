'use client';
/** The login. In the demo it shows whom one can be. */
import { useActionState } from 'react';
import { Bird } from '../primitives';
import { BareButton, Button, Input } from '../kit';

export interface LoginState {
  email: string;
  message: string | null;
}

export function Login({
  action,
  logins,
}: {
  action: (before: LoginState, form: FormData) => Promise<LoginState>;
  logins: { email: string; who: string }[] | null;
}) {
  const [state, send, sending] = useActionState(action, { email: '', message: null });
  return (
    <main className="public" style={{ maxWidth: 420 }}>
      <div style={{ display: 'flex', alignItems: 'flex-end', gap: 10, borderBottom: '1.5px solid var(--ink)', paddingBottom: 2 }}>
        <h1 style={{ fontSize: 34, lineHeight: '38px' }}>urraca</h1>
        <Bird />
      </div>
      <form action={send}>
        {state.message && (
          <p className="late" role="alert">
            {state.message}
          </p>
        )}
        <div className="field">
          <label htmlFor="email">Email</label>
          <Input
            id="email"
            name="email"
            type="email"
            autoComplete="username"
            required
            defaultValue={state.email}
            key={state.email}
            autoFocus
          />
        </div>
        <div className="field">
          <label htmlFor="password">Password</label>
          <Input id="password" name="password" type="password" autoComplete="current-password" required />
        </div>
        <Button type="submit" look="main" style={{ justifyContent: 'center', padding: 11 }} disabled={sending}>
          {sending ? 'One moment…' : 'Log in'}
        </Button>
      </form>
      {logins && (
        <section style={{ marginTop: 28 }}>
          <h2>The demo brokerage: one click, password urraca-demo</h2>
          {logins.map(({ email, who }) => (
            <form key={email} action={send} style={{ display: 'block', margin: 0 }}>
              <input type="hidden" name="email" value={email} />
              <input type="hidden" name="password" value="urraca-demo" />
              <BareButton
                type="submit"
                className="row"
                style={{ margin: 0, width: '100%', padding: '5px 0', borderBottom: '1px solid var(--line)', borderRadius: 0 }}
                disabled={sending}
              >
                <span>{email}</span>
                <span className="soft">{who}</span>
              </BareButton>
            </form>
          ))}
        </section>
      )}
    </main>
  );
}
