// The speed of the core, in one run, with ratios to the first line; then the edit in a real browser.
import { spawnSync } from 'node:child_process';
import { performance } from 'node:perf_hooks';
import { register } from 'tsx/esm/api';

register();
const { benches } = await import('../core/src/divide/divide.bench.ts');

/** Median of enough runs to fill a third of a second, after as many to warm up. */
function median(run) {
  const times = [];
  for (let warm = 0; warm < 2; warm++) {
    times.length = 0;
    const until = performance.now() + 330;
    do {
      const from = performance.now();
      run();
      times.push(performance.now() - from);
    } while (performance.now() < until || times.length < 5);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
}

let first = 0;
console.log(
  'core, median of many runs'.padEnd(48),
  'ms'.padStart(9),
  'ratio'.padStart(8),
  'wanted'.padStart(8),
);
const { simulateBenches } = await import('../core/src/simulate/simulate.bench.ts');
const { measureBenches } = await import('../core/src/files/record.bench.ts');
const { reportBenches } = await import('../core/src/report/report.bench.ts');
const { drawingBenches } = await import('../core/src/exports/drawings.bench.ts');
for (const b of [...benches, ...reportBenches, ...simulateBenches, ...drawingBenches, ...measureBenches]) {
  const ms = median(b.run);
  first ||= ms;
  console.log(
    b.name.padEnd(48),
    ms.toFixed(2).padStart(9),
    `${(ms / first).toFixed(2)}×`.padStart(8),
    b.wanted ? `< ${b.wanted}`.padStart(8) : '',
  );
}

const { findBench, workersBench } = await import('./find-bench.mjs');
findBench();
await workersBench();
const { chooseBench } = await import('./choose-bench.mjs');
await chooseBench();

if (!process.argv.includes('--core')) {
  console.log('\nin the browser');
  spawnSync('npx', ['playwright', 'test', '--project=latency', '--reporter=list'], {
    stdio: 'inherit',
    env: { ...process.env, PENDRIX_BENCH: '1' },
  });
}
