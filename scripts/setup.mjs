// What a fresh machine lacks: the packages, and for the browser tests a Chromium. Only Node's own modules here.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));

/** Debian's Chromium without a window first: it does the same work in three fifths of the time. */
const SHELL = '/usr/bin/chromium-headless-shell';
const WHOLE = '/usr/bin/chromium';

/** Where the browser of the tests and the screenshots stands. */
export const browserPath = () => (existsSync(SHELL) ? SHELL : WHOLE);

/** Runs a command in the project's folder with its output shown; true when it went well. */
export function run(command, args, env = {}) {
  const done = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  return done.status === 0;
}

/** The same beside others: its output is shown when it is done, so that two do not mix. */
export function runAsync(command, args, env = {}) {
  return new Promise((done) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, FORCE_COLOR: '0', ...env },
    });
    const parts = [];
    child.stdout.on('data', (d) => parts.push(d));
    child.stderr.on('data', (d) => parts.push(d));
    child.on('error', () => done(false));
    child.on('close', (code) => {
      process.stdout.write(Buffer.concat(parts));
      done(code === 0);
    });
  });
}

/** Installs the packages when they are missing or older than the lock file. */
export function ensurePackages() {
  const installed = `${ROOT}node_modules/.package-lock.json`;
  const fresh =
    existsSync(installed) && statSync(installed).mtimeMs >= statSync(`${ROOT}package-lock.json`).mtimeMs;
  if (fresh) return true;
  console.log('installing packages …');
  return run('npm', ['ci', '--no-audit', '--no-fund']);
}

/** Debian's Chromium; installed when it is missing and this user may. */
export function ensureChromium() {
  if (existsSync(SHELL)) return true;
  console.log('installing Chromium …');
  const root = process.getuid?.() === 0;
  const apt = (args) =>
    root
      ? run('apt-get', args, { DEBIAN_FRONTEND: 'noninteractive' })
      : run('sudo', ['-n', 'apt-get', ...args]);
  const install = (name) => apt(['install', '-y', '-qq', '--no-install-recommends', name]);
  apt(['update', '-qq']);
  if (!install('chromium-headless-shell') && !existsSync(WHOLE)) install('chromium');
  const found = existsSync(browserPath());
  if (!found)
    console.error(
      `The browser tests want Debian's Chromium at ${SHELL} or ${WHOLE}: install the package "chromium".`,
    );
  return found;
}
