// `npm run mutants`: puts 120 small faults into the code, drawn from ten rooms, one at a time, and tells which of them the tests
// notice. It writes into the files and puts them back, so it wants a clean checkout. `npm run mutants -- teeth make` tries two
// rooms, `npm run mutants -- chosen 12 40` some of the sixty that were chosen by hand (`chosen` alone: all of them).
import { spawn, spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { CHOSEN } from './mutants-chosen.mjs';
import { EACH, ROOMS, draw, nameOf } from './mutants-drawn.mjs';
import { LEFT } from './mutants-left.mjs';

const ROOT = path.join(import.meta.dirname, '..');
/** How many of a hundred must be noticed. */
const LEAST = 90;
/** Who else answers for a room than its own tests, the quickest first. */
const BESIDE = {
  'core/src/motion': [
    'core/src/divide',
    'core/src/report',
    'core/src/files',
    'core/src/find',
    'core/src/follow',
    'core/src/travel',
    'cli',
  ],
  'core/src/divide': ['core/src/files', 'core/src/exports'],
  'core/src/files': ['core/src/exports', 'cli'],
  'core/src/run': ['core/src/report', 'core/src/files'],
  'core/src/errors': ['core/src/simulate', 'core/src/report', 'core/src/one-answer', 'cli'],
  'core/src/force': ['core/src/turning', 'core/src/report', 'core/src/one-answer', 'cli'],
  'core/src/arbors': ['core/src/exports', 'core/src/report', 'cli'],
  'core/src/teeth': [
    'core/src/make',
    'core/src/arbors',
    'core/src/exports',
    'core/src/one-answer',
    'core/src/report',
  ],
  'core/src/make': ['core/src/exports', 'core/src/report', 'core/src/files', 'cli'],
  'core/src/control': ['core/src/report', 'server'],
  'core/src/measure': ['core/src/report', 'core/src/files', 'cli'],
  'core/src/exports': ['core/src/files', 'cli', 'docs'],
  'web/src/records': ['web/src/stores'],
  'web/src/stores': ['web'],
};

const dirty = spawnSync('git', ['status', '--porcelain', '--untracked-files=no'], {
  cwd: ROOT,
  encoding: 'utf8',
});
if (dirty.stdout.trim() !== '') {
  console.error('There are changes that are not committed; mutants are put only into a clean checkout.');
  process.exit(2);
}

/** Runs the tests of a folder until one fails; true when all pass. A fault that never ends is noticed, too. */
const passes = (folder) =>
  new Promise((done) => {
    const jest = spawn(
      process.execPath,
      [
        '--experimental-vm-modules',
        '--no-warnings',
        'node_modules/jest/bin/jest.js',
        '--forceExit',
        '--bail',
        '--silent',
        '--maxWorkers=2',
        '--passWithNoTests',
        folder,
      ],
      { cwd: ROOT, stdio: 'ignore', timeout: 240_000, killSignal: 'SIGKILL' },
    );
    jest.on('close', (code) => done(code === 0));
  });

/** Puts a fault into its file, asks the tests and takes it out again, whatever happens. */
const isNoticed = async (file, faulty) => {
  const at = path.join(ROOT, file);
  const text = readFileSync(at, 'utf8');
  const back = () => writeFileSync(at, text);
  const stop = () => {
    back();
    process.exit(130);
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
  try {
    writeFileSync(at, faulty(text));
    const room = Object.keys(BESIDE).find((r) => file.startsWith(r));
    for (const folder of [room, ...BESIDE[room]]) if (!(await passes(folder))) return true;
    return false;
  } finally {
    back();
    process.off('SIGINT', stop);
    process.off('SIGTERM', stop);
  }
};

/** The faults chosen by hand, as those drawn: a name, a file, and what makes its text faulty. */
const chosen = (numbers) =>
  CHOSEN.map(([file, from, to], i) => ({
    room: 'chosen',
    file,
    from,
    to,
    name: `${i + 1}. ${path.basename(file)}: ${from.split('\n')[0]}`,
  }))
    .filter((_, i) => numbers.length === 0 || numbers.includes(i + 1))
    .map((m) => ({
      ...m,
      faulty: (text) => {
        if (text.split(m.from).length === 2) return text.replace(m.from, () => m.to);
        console.error(`${m.name} does not stand there once. The list is out of date.`);
        process.exit(2);
      },
    }));
const drawn = (rooms) =>
  rooms.flatMap((room) =>
    draw(room).map((m) => ({
      ...m,
      name: nameOf(m),
      faulty: (text) => text.slice(0, m.start) + m.put + text.slice(m.end),
    })),
  );

const asked = process.argv.slice(2);
const unknown = asked.filter(
  (a) => a !== 'chosen' && !(a in ROOMS) && !(asked[0] === 'chosen' && Number(a) >= 1),
);
if (unknown.length > 0) {
  console.error(
    `There is no room ${unknown.join(', ')}. Rooms: ${Object.keys(ROOMS).join(', ')}; or "chosen".`,
  );
  process.exit(2);
}
const faults =
  asked[0] === 'chosen'
    ? chosen(asked.slice(1).map(Number))
    : drawn(asked.length > 0 ? asked : Object.keys(ROOMS));

const figures = new Map();
for (const { room, file, name, faulty } of faults) {
  const noticed = await isNoticed(file, faulty);
  const [of, seen] = figures.get(room) ?? [0, 0];
  figures.set(room, [of + 1, seen + (noticed ? 1 : 0)]);
  console.log(
    `${noticed ? 'noticed' : 'MISSED '}  ${name}${noticed || !LEFT[name] ? '' : `\n         left: ${LEFT[name]}`}`,
  );
}
let [all, seen] = [0, 0];
for (const [room, [of, noticed]] of figures) {
  console.log(`${room.padEnd(8)} ${noticed} of ${of}`);
  all += of;
  seen += noticed;
}
console.log(`${seen} of ${all} noticed; at least ${LEAST} of a hundred are wanted (${EACH} faults a room)`);
process.exit(seen * 100 < all * LEAST ? 1 : 0);
