// npm test: installs what is missing, lints, type-checks, runs the unit tests and the browser tests, prints 'N passed, N failed'.
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureChromium, ensurePackages, ROOT, runAsync } from './setup.mjs';

const results = mkdtempSync(path.join(tmpdir(), 'pendrix-test-'));
let [passed, failed] = [0, 0];

function check(name, ok) {
  if (ok) passed++;
  else failed++;
  console.log(`${ok ? 'ok  ' : 'FAIL'} ${name}`);
  return ok;
}

/** Adds what a runner counted; a runner that failed without counting any is one failure. */
function count(name, ok, read) {
  try {
    const [good, bad] = read();
    passed += good;
    failed += bad;
    if (!ok && bad === 0) failed++;
    console.log(`${ok ? 'ok  ' : 'FAIL'} ${name}: ${good} passed, ${bad} failed`);
  } catch {
    check(name, false);
  }
}

const json = (file) => JSON.parse(readFileSync(path.join(results, file), 'utf8'));

/** Two things at a time: the machine has two cores. Each tells when it is done; `what` answers whether it was good. */
async function sideBySide(tasks) {
  const left = [...tasks];
  const one = async () => {
    for (let task = left.shift(); task; task = left.shift()) {
      const from = Date.now();
      const ok = await task.run();
      if (task.told) task.told(ok);
      else check(task.name, ok);
      console.log(`     ${((Date.now() - from) / 1000).toFixed(0)} s`);
    }
  };
  await Promise.all([one(), one()]);
}

/** Room for what is short-lived: these tools make a great deal of it, and would spend a fifth of their time on clearing it up. */
const ROOMY = '--max-semi-space-size=256';
/** A tool of the project's own, by its name. */
const bin = (name, args, env) => () =>
  runAsync(path.join(ROOT, 'node_modules/.bin', name), args, { NODE_OPTIONS: ROOMY, ...env });
/** What was checked before and has not changed is not checked again. */
const kept = (name) => ['--incremental', '--tsBuildInfoFile', `.cache/types/${name}.json`];

if (check('packages', ensurePackages())) {
  const built = bin('vite', ['build', 'web', '--config', 'web/vite.config.ts', '--logLevel', 'error']);
  await sideBySide([
    { name: 'lint', run: bin('eslint', ['.', '--cache', '--cache-location', '.cache/eslint/']) },
    { name: 'types', run: bin('vue-tsc', ['-p', '.', ...kept('all')]) },
    {
      name: 'format',
      run: bin('prettier', [
        '--check',
        '--log-level',
        'warn',
        '--cache',
        '--cache-location',
        '.cache/prettier',
        '.',
      ]),
    },
    // once more by itself: no page and no Node there
    { name: 'types of core', run: bin('tsc', ['-p', 'core', ...kept('core')]) },
    { name: 'build', run: built },
    { name: 'nothing unused', run: bin('knip', ['--no-progress', '--no-config-hints']) },
    {
      name: 'arrows run one way, no circles',
      run: bin('depcruise', [
        '--config',
        '.dependency-cruiser.cjs',
        '--output-type',
        'err',
        'core/src',
        'web/src',
        'cli/src',
        'server/src',
      ]),
    },
  ]);
  const units = await bin(
    'jest',
    // a machine that is busy with something else is no fault
    [
      '--silent',
      '--forceExit',
      '--maxWorkers=2',
      '--testTimeout=20000',
      '--json',
      '--outputFile',
      path.join(results, 'jest.json'),
    ],
    { NODE_OPTIONS: `--experimental-vm-modules --no-warnings ${ROOMY}` },
  )();
  count('unit tests', units, () => {
    const r = json('jest.json');
    return [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites];
  });

  if (check('Chromium', ensureChromium())) {
    const browser = await bin('playwright', ['test', '--project=journeys'], {
      PENDRIX_E2E_JSON: path.join(results, 'e2e.json'),
    })();
    count('browser tests', browser, () => {
      const { stats } = json('e2e.json');
      return [stats.expected + stats.flaky, stats.unexpected];
    });
  }
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
