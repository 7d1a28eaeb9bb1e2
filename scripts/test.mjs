// npm test: installs what is missing, lints, type-checks, runs the unit tests and the browser tests, prints 'N passed, N failed'.
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureChromium, ensurePackages, run } from './setup.mjs';

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

if (check('packages', ensurePackages())) {
  check('lint', run('npx', ['eslint', '.', '--cache', '--cache-location', '.cache/eslint/']));
  check('format', run('npx', ['prettier', '--check', '--log-level', 'warn', '.']));
  check(
    'arrows run one way, no circles',
    run('npx', [
      'depcruise',
      '--config',
      '.dependency-cruiser.cjs',
      '--output-type',
      'err',
      'core/src',
      'web/src',
      'cli/src',
      'server/src',
    ]),
  );
  check('nothing unused', run('npx', ['knip', '--no-progress', '--no-config-hints']));
  for (const room of [
    'core/tsconfig.json',
    'core/tsconfig.test.json',
    'cli/tsconfig.json',
    'server/tsconfig.json',
    'docs/tsconfig.json',
    'e2e/tsconfig.json',
  ])
    check(`types in ${room}`, run('npx', ['tsc', '-p', room]));
  for (const room of ['web/tsconfig.json', 'web/tsconfig.test.json'])
    check(`types in ${room}`, run('npx', ['vue-tsc', '-p', room]));

  const units = run(
    'npx',
    ['jest', '--silent', '--forceExit', '--json', '--outputFile', path.join(results, 'jest.json')],
    {
      NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
    },
  );
  count('unit tests', units, () => {
    const r = json('jest.json');
    return [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites];
  });

  if (
    check('build', run('npm', ['run', 'build', '--workspace', '@pendrix/web', '--silent'])) &&
    check('Chromium', ensureChromium())
  ) {
    const browser = run('npx', ['playwright', 'test'], { PENDRIX_E2E_JSON: path.join(results, 'e2e.json') });
    count('browser tests', browser, () => {
      const { stats } = json('e2e.json');
      return [stats.expected + stats.flaky, stats.unexpected];
    });
  }
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
