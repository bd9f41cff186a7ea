/**
 * The drill of crafted input, against real processes: mails, bodies, files, templates, plans, page markers and public addresses that nobody
 * means well with, drawn from a seed. Each is answered soon and without a fault of ours, no process takes more memory than it may, and whatever
 * was said to be kept is there. `--small` sends them for twenty seconds, for every test run; without it for ten minutes, while each process is killed
 * with -9 and starved in turn and PostgreSQL is stopped; a sender who was not answered then tries again, as senders do.
 */
import { createHash } from 'node:crypto';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import nodemailer from 'nodemailer';
import pg from 'pg';
import { startCluster } from '../../scripts/lib/cluster.mjs';
import { awaitHealthy, endProcesses, appEnvironment, startSimulator, startWeb, startWorker } from '../../scripts/lib/app.mjs';
import { fromRoot } from '../../scripts/lib/root.mjs';
import { runQuietly } from '../../scripts/lib/run.mjs';
import { say, script, Stop } from '../../scripts/lib/say.mjs';
import { supervise } from '../../scripts/lib/supervise.mjs';

const small = process.argv.includes('--small');
const SECONDS = Number(process.env.DRILL_SECONDS ?? (small ? 20 : 600));
/** Two seconds on a machine that is not busy; twice that, so that another's load is no fault of ours. */
const MOST_MS = 4_000;
const MOST_MB = 900;
const SEED = Number(process.env.DRILL_SEED ?? 20_261_130);
const DIST = process.env.DRILL_DIST ?? 'dist-test';
const root = process.env.URRACA_TEST_HOME ?? fromRoot('.urraca', 'test');
const home = join(root, 'drill-crafted');
const ports = { web: 3122, simulator: 3932, simulatorSmtp: 2551, mailDoor: 2550 };
const base = `http://127.0.0.1:${ports.web}`;
const KEY = { authorization: 'Bearer urraca-demo-key' };
const DOORS = 8;
const pause = (seconds) => new Promise((resolve) => setTimeout(resolve, seconds * 1000));

await script(async () => {
  const crafted = await import(fromRoot(DIST, 'crafted.js'));
  rmSync(home, { recursive: true, force: true });
  const cluster = await startCluster(root, Number(process.env.TEST_PGPORT ?? 55433), 'urraca_drill_crafted');
  const env = appEnvironment({ home, databaseUrl: cluster.url, ports, habits: false });
  const made = runQuietly(process.execPath, [fromRoot(DIST, 'urraca.js'), 'demo-world', '--fresh'], { env });
  if (!made.ok) throw new Stop(made.err);
  const start = {
    simulator: () => startSimulator(env, home, DIST),
    worker: () => startWorker(env, home, DIST),
    web: () => startWeb(env, home, process.env.NEXT_DIST_DIR ?? '.next-test'),
  };
  const children = Object.fromEntries(Object.entries(start).map(([name, begin]) => [name, begin()]));
  const unwatch = supervise(children, start);
  const tables = async (sql, bind) => {
    const client = new pg.Client({ connectionString: cluster.url });
    await client.connect();
    try {
      return (await client.query(sql, bind)).rows;
    } finally {
      await client.end();
    }
  };

  const errors = [];
  const slowest = {};
  const counts = {};
  let disturbed = false;
  const note = (kind, what, ms) => {
    counts[kind] = (counts[kind] ?? 0) + 1;
    if (disturbed) return;
    if (ms > (slowest[kind]?.ms ?? 0)) slowest[kind] = { ms: Math.round(ms), what };
    if (ms > MOST_MS) errors.push(`${kind} ${what} took ${Math.round(ms)} ms`);
  };

  /** Asks until it is answered: what is away is tried again, what is answered counts. */
  async function ask(kind, seed, path, options = {}) {
    for (const until = Date.now() + 90_000; ; await pause(0.5)) {
      const began = performance.now();
      const answer = await fetch(`${base}${path}`, { redirect: 'manual', ...options, signal: AbortSignal.timeout(30_000) }).catch(
        () => null,
      );
      const text = await answer?.text().catch(() => null);
      const away = answer === null || text === null || (answer.status === 503 && !small);
      if (!away) {
        note(kind, `of seed ${seed} (${path.slice(0, 60)})`, performance.now() - began);
        if (answer.status >= 500)
          errors.push(`${kind} of seed ${seed}: ${answer.status} ${path.slice(0, 200)} ${text.slice(0, 300)}`);
        let body = null;
        try {
          body = JSON.parse(text);
        } catch {
          /* a page */
        }
        return { status: answer.status, body };
      }
      if (small || Date.now() > until) {
        errors.push(`${kind} of seed ${seed}: no answer on ${path.slice(0, 200)}`);
        return { status: 0, body: null };
      }
    }
  }
  const json = (body) => ({ headers: { ...KEY, 'content-type': 'application/json' }, body: JSON.stringify(body) });

  try {
    await awaitHealthy(`${base}/api/health`, children);
    const mailbox = await ask('setting up', 0, '/api/v1/doors', {
      method: 'POST',
      ...json({ kind: 'mail', name: 'Crafted mails' }),
    });
    const doors = [];
    for (let n = 0; n < DOORS; n += 1) {
      const door = await ask('setting up', n, '/api/v1/doors', { method: 'POST', ...json({ kind: 'api', name: `Door ${n}` }) });
      doors.push(new URL(door.body.address).pathname);
    }
    const campaign = await ask('setting up', 0, '/api/v1/campaigns', { method: 'POST', ...json({ name: 'Crafted' }) });
    const plain = campaign.body.version.plan;
    for (let waited = 0; waited < 100; waited += 1) {
      if ((await tables(`select 1 from processes where kind = 'worker'`)).length) break;
      await pause(0.2);
    }

    const mails = [];
    const inquiries = [];
    const templates = [];
    const files = [];
    let doorAt = 0;
    const send = {
      mail: async (n, seed) => {
        const raw = crafted.drawn(crafted.mailOf(n), seed);
        for (const until = Date.now() + 90_000; ; await pause(0.5)) {
          const post = nodemailer.createTransport({
            host: '127.0.0.1',
            port: ports.mailDoor,
            ignoreTLS: true,
            socketTimeout: 30_000,
          });
          const began = performance.now();
          const { code, words } = await post
            .sendMail({ envelope: { from: `o${n}@b.example`, to: mailbox.body.address }, raw })
            .then(({ response }) => ({ code: Number(response.slice(0, 3)), words: response }))
            .catch((error) => ({ code: error.responseCode ?? 0, words: String(error) }));
          post.close();
          if (code !== 0 && (code !== 451 || small)) {
            note('mail', `of seed ${seed}`, performance.now() - began);
            if (code === 250) mails.push(n);
            else if (code !== 554) errors.push(`mail of seed ${seed}: ${words}`);
            return;
          }
          if (small || Date.now() > until) return void errors.push(`mail of seed ${seed}: ${words}`);
        }
      },
      body: async (n, seed) => {
        const { contentType, text } = crafted.drawn(crafted.body, seed);
        const path = doors[(doorAt += 1) % doors.length] + (n % 3 ? '' : '?sandbox=true');
        const { status, body } = await ask('body', seed, path, {
          method: 'POST',
          headers: { 'content-type': contentType, 'idempotency-key': `crafted ${n}` },
          body: text,
        });
        if (status === 201) inquiries.push(body.inquiry.id);
      },
      template: async (n, seed) => {
        const drawn = crafted.drawn(crafted.template, seed);
        await ask('template', seed, '/api/v1/templates/check', {
          method: 'POST',
          ...json({ channel: drawn.channel, words: drawn.words }),
        });
        const key = { 'idempotency-key': `template ${n}` };
        const sent = json({ ...drawn, name: `${n} ${drawn.name}`.slice(0, 75) });
        const { status, body } = await ask('template', seed, '/api/v1/templates', {
          method: 'POST',
          ...sent,
          headers: { ...sent.headers, ...key },
        });
        if (status === 201) templates.push(body.id);
        await ask('list of templates', seed, '/api/v1/templates?limit=200', { headers: KEY });
      },
      plan: async (n, seed) => {
        const path = `/api/v1/campaigns/${campaign.body.id}/plan`;
        await ask('plan', seed, `${path}/preview`, { method: 'POST', ...json(crafted.drawn(crafted.plan(plain), seed)) });
        await ask('plan', seed, path, {
          method: 'PUT',
          ...json({ ...crafted.drawn(crafted.plan(plain), seed), seen: campaign.body.version.id }),
        });
      },
      question: (n, seed) => ask('question', seed, `/api/v1${crafted.drawn(crafted.question, seed)}`, { headers: KEY }),
      address: (n, seed) =>
        ask(
          'address',
          seed,
          crafted.drawn(crafted.address, seed),
          n % 2 ? {} : { method: 'POST', body: 'a=%ff%00', headers: { 'content-type': 'application/x-www-form-urlencoded' } },
        ),
      file: async (n, seed) => {
        const { name, bytes } = crafted.drawn(crafted.file, seed);
        const { status, body } = await ask('file', seed, `/api/v1/imports?name=${name}`, {
          method: 'POST',
          headers: { ...KEY, 'idempotency-key': `file ${n}` },
          body: bytes,
        });
        if (status === 201) files.push({ id: body.id, seed });
      },
    };

    const most = {};
    const memory = setInterval(() => {
      for (const [name, child] of Object.entries(children)) {
        try {
          const mb = Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;
          most[name] = Math.max(most[name] ?? 0, Math.round(mb));
        } catch {
          /* it is being started */
        }
      }
    }, 500);

    /** Kills and starves what runs, one after the other. */
    let harming = !small;
    const harm = async () => {
      const ways = ['worker', 'web', 'postgres', 'simulator'];
      for (let n = 0; harming; n += 1) {
        await pause(12);
        disturbed = true;
        const which = ways[n % ways.length];
        if (which === 'postgres') {
          cluster.crash();
          await pause(2);
          cluster.start();
        } else if (Math.floor(n / ways.length) % 2) {
          children[which].kill('SIGSTOP');
          await pause(5);
          children[which].kill('SIGCONT');
        } else children[which].kill('SIGKILL');
        await pause(8);
        disturbed = false;
      }
    };
    const harmed = harm();

    const kinds = Object.keys(send);
    const until = Date.now() + SECONDS * 1000;
    let n = 0;
    const sender = async () => {
      while (Date.now() < until && errors.length < 20) {
        n += 1;
        const kind = kinds[n % kinds.length];
        /* Files are read one after the other; one in five turns keeps their line short enough to wait for. */
        if (kind === 'file' && n % 5) continue;
        await send[kind](n, SEED + n);
      }
    };
    await Promise.all([sender(), sender()]);
    harming = false;
    await harmed;
    disturbed = false;
    for (const [name, child] of Object.entries(children))
      if (small && (child.exitCode !== null || child.signalCode)) errors.push(`the ${name} process ended`);
    await awaitHealthy(`${base}/api/health`, {}, 60);

    /* Files that wait for their turn get it; what then still is being looked at hangs. */
    const ended = async () =>
      (
        await tables(`select count(*)::int as n from imports where state in ('receiving','looking') and id = any($1::bigint[])`, [
          files.map(({ id }) => id),
        ])
      )[0].n === 0;
    for (let waited = 0; waited < 120 && !(await ended()); waited += 1) await pause(1);
    clearInterval(memory);
    if (!(await ended())) errors.push('a file is still being looked at after two minutes');
    for (const [name, mb] of Object.entries(most)) if (mb > MOST_MB) errors.push(`the ${name} process took ${mb} MB`);

    /* One that could not be read is kept as it came, its Message-ID somewhere within. */
    const there = new Set(
      (
        await tables(
          `select substring(value from 'crafted-[0-9]+@') as id from (select message_id as value from lead_mails where raw is null union all select encode(raw, 'escape') from lead_mails where raw is not null
             union all select event_id from received union all select idempotency_key from inquiries) x where value like '%crafted-%'`,
        )
      ).map(({ id }) => id),
    );
    const lost = mails.filter((number) => !there.has(`crafted-${number}@`));
    if (lost.length) errors.push(`${lost.length} mails are not kept, such as number ${lost[0]}`);
    const count = async (table, ids) =>
      (await tables(`select count(*)::int as n from ${table} where id = any($1::bigint[])`, [ids]))[0].n;
    for (const [table, ids] of [
      ['inquiries', [...new Set(inquiries)]],
      ['templates', templates],
      ['imports', files.map(({ id }) => id)],
    ])
      if ((await count(table, ids)) !== ids.length) errors.push(`of ${ids.length} ${table} ${await count(table, ids)} are there`);
    for (const list of ['/contacts', '/inquiries', '/lead-mails', '/templates', '/campaigns', '/imports'])
      if ((await ask('list afterwards', 0, `/api/v1${list}`, { headers: KEY })).status !== 200) errors.push(`${list} is broken`);

    /* Asked to end while a page listens, the web ends within five seconds. */
    const token = 'the session of a page that listens';
    await tables(`insert into sessions (token_hash, user_id, expires_at) values ($1, 1, now() + interval '1 hour')`, [
      createHash('sha256').update(token).digest(),
    ]);
    const stream = await fetch(`${base}/api/v1/events`, { headers: { cookie: `urraca_session=${encodeURIComponent(token)}` } });
    const first = await stream.body.getReader().read();
    if (stream.status !== 200 || first.done) errors.push('no events are to be heard');
    unwatch();
    const asked = performance.now();
    const ends = new Promise((resolve) => children.web.once('exit', resolve));
    children.web.kill('SIGTERM');
    if ((await Promise.race([ends, pause(5).then(() => 'late')])) === 'late')
      errors.push('the web did not end within five seconds');
    const ending = Math.round(performance.now() - asked);

    say(
      `  sent: ${Object.entries(counts)
        .map(([kind, times]) => `${times} ${kind}`)
        .join(', ')}`,
    );
    say(
      `  slowest: ${Object.entries(slowest)
        .map(([kind, { ms, what }]) => `${kind} ${ms} ms ${what}`)
        .join('\n           ')}`,
    );
    say(
      `  memory: ${Object.entries(most)
        .map(([name, mb]) => `${name} ${mb} MB`)
        .join(
          ', ',
        )}; ${mails.length} mails, ${inquiries.length} inquiries, ${templates.length} templates and ${files.length} files are kept; the web ended ${ending} ms after it was asked to, with a page listening`,
    );
    if (errors.length) throw new Stop(errors.join('\n'));
  } finally {
    unwatch();
    await endProcesses(Object.values(children));
  }
});
process.exit(0);
