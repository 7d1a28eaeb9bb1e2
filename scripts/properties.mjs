// `npm run properties`: the tests that try random things, begun at other seeds than that of `npm test`; each round says its own.
// `npm run properties -- 20` does twenty rounds; PENDRIX_SEED=7 npm run unit -- FILE does one again.
import { spawnSync } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.join(import.meta.dirname, '..');
const rounds = Number(process.argv[2] ?? 5);
if (!Number.isSafeInteger(rounds) || rounds < 1) {
  console.error(`${process.argv[2]} is no number of rounds, for example: npm run properties -- 20`);
  process.exit(2);
}

const files = ['core', 'web', 'cli', 'server', 'docs']
  .flatMap((room) => readdirSync(path.join(ROOT, room), { recursive: true }).map((file) => `${room}/${file}`))
  .filter((file) => file.endsWith('.test.ts') && !file.includes('node_modules'))
  .filter((file) => readFileSync(path.join(ROOT, file), 'utf8').includes("from 'fast-check'"));
let bad = 0;
for (let i = 0; i < rounds; i++) {
  const seed = randomInt(2 ** 31);
  const { status, stderr } = spawnSync(
    path.join(ROOT, 'node_modules/.bin/jest'),
    ['--forceExit', '--silent', '--maxWorkers=2', '--testTimeout=60000', '--runTestsByPath', ...files],
    {
      cwd: ROOT,
      encoding: 'utf8',
      env: {
        ...process.env,
        PENDRIX_SEED: String(seed),
        // outlines are slow to roll: ten of each in `npm test`
        PENDRIX_ROLLED: '200',
        NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
      },
    },
  );
  console.log(`${status === 0 ? 'ok  ' : 'FAIL'} seed ${seed}`);
  if (status === 0) continue;
  bad++;
  console.log(stderr.slice(stderr.indexOf('●')).split('\n').slice(0, 40).join('\n'));
}
console.log(`${files.length} files, ${rounds} rounds, ${bad} with a failure`);
process.exit(bad === 0 ? 0 : 1);
