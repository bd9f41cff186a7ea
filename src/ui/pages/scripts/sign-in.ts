/**
 * The sign-in page in the browser of a tablet: each visitor is kept here before anything is sent, delivered when there is a network, and
 * forgotten here once it is certain that the house has them. Each has a key of their own, so that however often they are sent, they
 * are taken in once. The page clears itself for the next visitor.
 */
interface Kept {
  key: string;
  at: string;
  sent: Record<string, string>;
  /** Why the house would not take it; it waits for the host to mend it. */
  refused?: string;
}

const PREFIX = `urraca-sign-in:${location.pathname}:`;
const THANKS_MS = 4_000;
const IDLE_MS = 60_000;
const RETRY_MS = 15_000;

const form = document.querySelector<HTMLFormElement>('#visitor-form');
if (form) begin(form);

function begin(form: HTMLFormElement): void {
  const line = document.createElement('div');
  line.className = 'net';
  line.setAttribute('role', 'status');
  document.body.append(line);

  const all = (): Kept[] =>
    Object.keys(localStorage)
      .filter((name) => name.startsWith(PREFIX))
      .map((name) => JSON.parse(localStorage.getItem(name)!) as Kept)
      .sort((a, b) => (a.at < b.at ? -1 : 1));
  const show = () => {
    const visits = all();
    const refused = visits.filter((one) => one.refused).length;
    const waiting = visits.length - refused;
    line.textContent = [
      waiting ? `${waiting} saved here until you’re back online` : '',
      refused ? `${refused} couldn’t be read; ask them again` : '',
    ]
      .filter(Boolean)
      .join(' · ');
    line.hidden = !visits.length;
  };

  let delivering = false;
  async function deliver(): Promise<void> {
    if (delivering) return;
    delivering = true;
    try {
      for (const one of all().filter(({ refused }) => !refused)) if (!(await send(one))) break;
    } finally {
      delivering = false;
      show();
    }
  }
  /** @returns false when it is not worth trying the next now */
  async function send(one: Kept): Promise<boolean> {
    let answer: Response;
    try {
      answer = await fetch(location.pathname, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ ...one.sent, token: token(), key: one.key, at: one.at }),
      });
    } catch {
      return false;
    }
    if (answer.ok) localStorage.removeItem(PREFIX + one.key);
    else if (answer.status === 409) return (await freshToken()) && false;
    else if (answer.status === 422) {
      const why = (await answer.json().catch(() => null)) as { detail?: string } | null;
      localStorage.setItem(PREFIX + one.key, JSON.stringify({ ...one, refused: why?.detail ?? 'not readable' }));
    } else return false;
    return true;
  }

  const field = (): HTMLInputElement => form.querySelector<HTMLInputElement>('input[name=token]')!;
  const token = (): string => field().value;
  async function freshToken(): Promise<boolean> {
    const answer = await fetch(`${location.pathname}/token`).catch(() => null);
    if (answer?.ok) field().value = ((await answer.json()) as { token: string }).token;
    return Boolean(answer?.ok);
  }

  const error = (name: string, words: string) => {
    const input = form.querySelector<HTMLInputElement>(`[name=${name}]`);
    if (!input) return;
    input.setAttribute('aria-invalid', 'true');
    const place = document.createElement('span');
    place.className = 'error';
    place.id = `x-${name}`;
    place.textContent = words;
    input.setAttribute('aria-describedby', place.id);
    input.after(place);
    input.focus();
  };
  const clean = () => {
    form.querySelectorAll('.error').forEach((one) => one.remove());
    form.querySelectorAll('[aria-invalid]').forEach((one) => one.removeAttribute('aria-invalid'));
  };
  const clear = () => {
    const entry = token();
    form.reset();
    field().value = entry;
    clean();
  };

  form.addEventListener('submit', (event) => {
    event.preventDefault();
    clean();
    const sent = Object.fromEntries([...new FormData(form)].map(([name, value]) => [name, String(value).trim()]));
    delete sent.token;
    const digits = (sent.phone ?? '').replace(/\D/g, '');
    if (!sent.first_name) return error('first_name', 'Enter your first name');
    if (sent.email && !/^[^\s@]+@[^\s@.]+\.[^\s@]+$/.test(sent.email))
      return error('email', 'Enter an email address like name@example.com');
    if (sent.phone && digits.length < 10) return error('phone', 'Enter the number with its area code');
    if (!sent.email && !sent.phone) return error(form.phone ? 'phone' : 'email', 'Enter a phone number or an email address');
    const one: Kept = { key: crypto.randomUUID(), at: new Date().toISOString(), sent };
    try {
      localStorage.setItem(PREFIX + one.key, JSON.stringify(one));
    } catch {
      return error('first_name', 'This tablet is full. Please tell your host.');
    }
    thank();
    void deliver();
  });

  function thank(): void {
    const note = document.createElement('p');
    note.className = 'said';
    note.setAttribute('role', 'status');
    note.textContent = form.dataset.thanks ?? 'Thank you.';
    form.hidden = true;
    form.after(note);
    clear();
    setTimeout(() => {
      note.remove();
      form.hidden = false;
      form.querySelector<HTMLInputElement>('[name=first_name]')?.focus();
    }, THANKS_MS);
  }

  let idle: ReturnType<typeof setTimeout>;
  form.addEventListener('input', () => {
    clearTimeout(idle);
    idle = setTimeout(clear, IDLE_MS);
  });
  addEventListener('online', () => void deliver());
  setInterval(() => void deliver(), RETRY_MS);
  show();
  void deliver();
  void navigator.serviceWorker?.register('/visit/keeper.js', { scope: '/p/' }).catch(() => undefined);
}
