// npm start: installs what is missing, builds what has changed, serves Pendrix with its demo data, prints the address.
import { spawn } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import { ensurePackages, ROOT, run } from './setup.mjs';

const built = path.join(ROOT, 'web/dist/index.html');

/** The latest change in what the build is made of. */
function latest(folder) {
  return readdirSync(path.join(ROOT, folder), { withFileTypes: true, recursive: true })
    .filter((e) => e.isFile() && !`${e.parentPath ?? e.path}`.includes('dist'))
    .reduce((last, e) => Math.max(last, statSync(path.join(e.parentPath ?? e.path, e.name)).mtimeMs), 0);
}

const stale = () =>
  !existsSync(built) ||
  Math.max(
    ...['core/src', 'web/src', 'web/public', 'demo'].map(latest),
    statSync(path.join(ROOT, 'package-lock.json')).mtimeMs,
    statSync(path.join(ROOT, 'web/vite.config.ts')).mtimeMs,
    statSync(path.join(ROOT, 'web/index.html')).mtimeMs,
  ) > statSync(built).mtimeMs;

if (!ensurePackages()) process.exit(1);
if (stale()) {
  console.log('building …');
  if (!run('npm', ['run', 'build', '--workspace', '@pendrix/web', '--silent'])) process.exit(1);
}
const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
  cwd: ROOT,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
