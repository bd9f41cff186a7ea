/** A proxy that ends TLS before the pages, as in production: nginx from Debian's packages with a certificate of its own, unpacked and not installed, on loopback. */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fromRoot } from './root.mjs';
import { runQuietly } from './run.mjs';
import { say, Stop } from './say.mjs';

/** The program of nginx, fetched when it is not there. It is never started as a service. */
function nginxProgram() {
  if (existsSync('/usr/sbin/nginx')) return '/usr/sbin/nginx';
  const folder = fromRoot('.urraca', 'nginx');
  const program = join(folder, 'root', 'usr', 'sbin', 'nginx');
  if (existsSync(program)) return program;
  say('Fetching nginx from Debian’s packages …');
  mkdirSync(folder, { recursive: true });
  const fetched = () => runQuietly('apt-get', ['download', '-qq', 'nginx'], { cwd: folder }).ok;
  if (!fetched()) {
    runQuietly('apt-get', ['update', '-qq'], {});
    if (!fetched()) throw new Stop('nginx could not be fetched from Debian’s packages. Check the network, then start again.');
  }
  const file = readdirSync(folder).find((name) => name.endsWith('.deb'));
  if (!runQuietly('dpkg', ['-x', join(folder, file), join(folder, 'root')], {}).ok)
    throw new Stop('nginx could not be unpacked.');
  return program;
}

/** Starts it before `to`, a port on loopback. @returns the process, to be ended by its id */
export function startTlsProxy(home, port, to) {
  const folder = join(home, 'tls');
  mkdirSync(folder, { recursive: true });
  const [key, certificate] = [join(folder, 'key.pem'), join(folder, 'certificate.pem')];
  if (!existsSync(certificate))
    runQuietly(
      'openssl',
      [
        'req',
        '-x509',
        '-newkey',
        'rsa:2048',
        '-nodes',
        '-days',
        '30',
        '-subj',
        '/CN=127.0.0.1',
        '-addext',
        'subjectAltName=IP:127.0.0.1',
        '-keyout',
        key,
        '-out',
        certificate,
      ],
      {},
    );
  writeFileSync(
    join(folder, 'nginx.conf'),
    `daemon off; worker_processes 1; pid ${folder}/nginx.pid; error_log ${folder}/error.log;
events { worker_connections 256; }
http {
  access_log off; client_max_body_size 50m;
  client_body_temp_path ${folder}/body; proxy_temp_path ${folder}/proxy; fastcgi_temp_path ${folder}/f; uwsgi_temp_path ${folder}/u; scgi_temp_path ${folder}/s;
  server {
    listen 127.0.0.1:${port} ssl;
    ssl_certificate ${certificate}; ssl_certificate_key ${key};
    location / {
      proxy_pass http://127.0.0.1:${to}; proxy_http_version 1.1; proxy_buffering off;
      proxy_set_header Host $http_host; proxy_set_header X-Forwarded-For $remote_addr;
      proxy_set_header X-Forwarded-Proto https; proxy_set_header X-Forwarded-Host $http_host;
    }
  }
}
`,
  );
  return spawn(nginxProgram(), ['-c', join(folder, 'nginx.conf'), '-p', folder], { stdio: ['ignore', 'ignore', 'inherit'] });
}
