// `npm run mutants`: puts sixty small faults into the code, one at a time, and tells which of them the tests notice.
// It writes into the files and puts them back, so it wants a clean checkout. `npm run mutants -- 12 40` tries only those.
import { spawn, spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { MUTANTS } from './mutants-list.mjs';

const ROOT = path.join(import.meta.dirname, '..');
/** How many must be noticed. */
const LEAST = 54;
/** The tests that answer for a room, the quickest first. */
const TESTS = {
  'core/src/motion': [
    'core/src/motion',
    'core/src/divide',
    'core/src/report',
    'core/src/files',
    'core/src/find',
    'core/src/follow',
    'core/src/travel',
    'cli',
  ],
  'core/src/divide': ['core/src/divide', 'core/src/files', 'core/src/exports'],
  'core/src/files': ['core/src/files', 'core/src/exports', 'cli'],
  'core/src/exports': ['core/src/exports', 'core/src/files', 'cli'],
  'core/src/run': ['core/src/run', 'core/src/report', 'core/src/files'],
  'web/src/records': ['web/src/records'],
};

const dirty = spawnSync('git', ['status', '--porcelain', '--untracked-files=no'], {
  cwd: ROOT,
  encoding: 'utf8',
});
if (dirty.stdout.trim() !== '') {
  console.error('There are changes that are not committed; mutants are put only into a clean checkout.');
  process.exit(2);
}

/** Runs the tests of a folder until one fails; true when all pass. */
const passes = (folder) =>
  new Promise((done) => {
    const jest = spawn('npx', ['jest', '--forceExit', '--bail', '--silent', '--maxWorkers=2', folder], {
      cwd: ROOT,
      env: { ...process.env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
      stdio: 'ignore',
    });
    jest.on('close', (code) => done(code === 0));
  });

const chosen = process.argv.slice(2).map(Number);
const missed = [];
let tried = 0;
for (const [i, [file, from, to]] of MUTANTS.entries()) {
  if (chosen.length > 0 && !chosen.includes(i + 1)) continue;
  const at = path.join(ROOT, file);
  const text = readFileSync(at, 'utf8');
  if (text.split(from).length !== 2) {
    console.error(`${i + 1}. ${file}: "${from}" does not stand there once. The list is out of date.`);
    process.exit(2);
  }
  const back = () => writeFileSync(at, text);
  const stop = () => {
    back();
    process.exit(130);
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
  let noticed = false;
  try {
    writeFileSync(
      at,
      text.replace(from, () => to),
    );
    const room = Object.keys(TESTS).find((r) => file.startsWith(r));
    for (const folder of TESTS[room]) if (!noticed) noticed = !(await passes(folder));
  } finally {
    back();
    process.off('SIGINT', stop);
    process.off('SIGTERM', stop);
  }
  tried++;
  if (!noticed) missed.push(i + 1);
  console.log(
    `${noticed ? 'noticed' : 'MISSED '}  ${String(i + 1).padStart(2)}. ${path.basename(file)}: ${from.split('\n')[0]}`,
  );
}
console.log(
  `${tried - missed.length} of ${tried} noticed; at least ${LEAST} of ${MUTANTS.length} are wanted`,
);
process.exit(chosen.length === 0 && tried - missed.length < LEAST ? 1 : 0);
