// How fast the search is: each line made anew, so that nothing is kept from the line before; nested loops at small size beside it.
import { spawn } from 'node:child_process';
import { performance } from 'node:perf_hooks';
import { fileURLToPath } from 'node:url';
import { register } from 'tsx/esm/api';

register();
const { find, findShare, runNow } = await import('../core/src/find/index.ts');
const { searchList, pairsAsParts } = await import('../core/src/find/list-question.ts');
const { exactly, rational } = await import('../core/src/numbers/index.ts');

const range = (from, to) =>
  Array.from({ length: to - from + 1 }, (_, i) => ({ teeth: from + i, own: 0, buy: true }));
const kit = (wheels, mostBought = null) => ({
  families: [{ pair: 'spur', sizeMm: null, wheels }],
  parts: [],
  mostBought,
});
const MODES = [1, 2, 4, 8, 16, 32, 64, 128, 256];
const request = (asked, more = {}) => ({
  asked,
  source: { fullSteps: 200, modes: MODES },
  kit: kit(range(12, 127)),
  maxStages: 3,
  steps: [null, null],
  ratio: [null, null],
  maxErrorPpm: null,
  interval: null,
  rank: 'best',
  count: 20,
  ...more,
});
const YEAR = { question: 'ratio', target: exactly('365.24219') };
const divisions = (list) => ({ question: 'divisions', divisions: list.map(BigInt) });
const upTo40 = Array.from({ length: 39 }, (_, i) => i + 2);
const bounded = [rational(10_000), rational(200_000)];
const STAR = {
  question: 'rate',
  periodSeconds: exactly('86164.0905'),
  tickHz: exactly('2000000'),
  bits: 32,
};

/** A drawer of forty sizes, one to three of each. */
const drawer = Array.from({ length: 40 }, (_, i) => ({
  teeth:
    [12, 13, 14, 15, 16, 17, 18, 19, 20, 21, 22, 24, 25, 26, 28, 30, 32, 34, 36, 37][i % 20] *
    (i < 20 ? 1 : 3),
  own: 1 + (i % 3),
  buy: false,
}));

const four = { ...request(YEAR), maxStages: 4 };
if (process.argv[2] === '--share') {
  const share = { index: Number(process.argv[3]), of: Number(process.argv[4]) };
  // a search that pays for its second worker: many driven products come into question
  const long = { ...request(divisions([97])), maxStages: 4 };
  runNow(findShare({ ...long, maxStages: 2 }, share));
  const from = performance.now();
  runNow(findShare(long, share));
  process.stdout.write(String(performance.now() - from));
  process.exit(0);
}

/** The least of some runs, when the compiler has warmed to it, as it has to the loops beside it: what else the machine does only adds. */
function least(run, runs = 9) {
  const warm = performance.now() + 400;
  do run();
  while (performance.now() < warm);
  const times = Array.from({ length: runs }, () => {
    const from = performance.now();
    run();
    return performance.now() - from;
  });
  return Math.min(...times);
}
const ask = (r) => () => void runNow(find(r));
const list = (parts, maxStages) => () =>
  void runNow(
    searchList(parts, {
      target: YEAR.target,
      maxStages,
      count: 20,
      cap: null,
      between: [null, null],
      share: { index: 0, of: 1 },
    }),
  );
const allPairs = pairsAsParts(
  { pair: 'spur', sizeMm: null, wheels: [] },
  range(12, 127).map((w) => w.teeth),
);

/** What a search takes, in millions of trains that nested loops would have looked at meanwhile: they are timed before and after it, so that a slow day is slow for both. */
export function findBench() {
  nested();
  console.log(
    `\n${'find, 12 to 127, 20 best, each made anew'.padEnd(44)}${'ms'.padStart(9)}${'10⁶ loops'.padStart(11)}${'reach'.padStart(7)}`,
  );
  const line = (name, reach, run, runs) => {
    const before = unit();
    const ms = least(run, runs);
    const units = ms / ((before + unit()) / 2);
    console.log(
      `${name.padEnd(44)}${ms.toFixed(1).padStart(9)}${units.toFixed(units < 10 ? 2 : 0).padStart(11)}${String(reach).padStart(7)}`,
    );
    return ms;
  };
  const ratios = [2, 3, 4].map((k) =>
    line(`ratio, up to ${k} pairs`, [1.25, 3.75, 87][k - 2], ask({ ...request(YEAR), maxStages: k })),
  );
  line('ratio, up to 5 pairs', 15_000, ask({ ...request(YEAR), maxStages: 5 }), 1);
  line('40 wheels with quantities, 4 stages', 7.5, ask({ ...four, kit: kit(drawer, 0), count: 10 }));
  line('1 000 stage parts, 4 stages', 37, list(allPairs.filter((_, i) => i % 8 === 0).slice(0, 1000), 4), 3);
  line('8 755 stage parts, 4 stages', 1000, list(allPairs, 4), 1);
  line('divisions {63}, all trains, up to 3', 75, ask({ ...request(divisions([63])), steps: bounded }));
  line('fewest misses {2…40}, N 10⁴…2·10⁵', 15, ask({ ...request(divisions(upTo40)), steps: bounded }));
  line('fewest misses {2…40}, N free', 375, ask(request(divisions(upTo40))), 1);
  line('rate, least ppm, up to 3', 25, ask({ ...request(STAR), steps: bounded }));
  const ppm = { maxErrorPpm: rational(1000), rank: 'pareto' };
  line('front, up to 3 pairs', 25, ask({ ...request(YEAR), ...ppm }));
  line('front, up to 4 pairs', 505, ask({ ...four, ...ppm }), 3);

  const step = nested();
  console.log(
    `\nnested loops: ${step.steps.toExponential(2)} trains of three pairs of 12 to 21 in ${step.ms.toFixed(0)} ms, ${(step.each * 1e6).toFixed(1)} ns each`,
  );
  for (const [i, k] of [2, 3, 4].entries()) {
    // every set of k pairs once: the order of the pairs does not matter
    const sets = 116 ** (2 * k) / [2, 6, 24][i];
    const whole = sets * step.each;
    console.log(
      `  ${k} pairs of 116 wheels: 116^${2 * k} / ${k}! = ${sets.toExponential(1)} × ${(step.each * 1e6).toFixed(1)} ns = ${whole.toExponential(2)} ms, ${(whole / ratios[i]).toExponential(1)} times as long (wanted ≥ ${[100, 1e5, 2e7][i].toExponential(0)})`,
    );
  }
  growth();
  memory();
}

/** What anyone would write first: six loops, the best kept. The least time of some, when the compiler has warmed to it. */
function nested() {
  const all = Array.from({ length: 12 }, loops).sort((a, b) => a.ms - b.ms);
  return all[0];
}
/** Milliseconds of a million trains just now. */
const unit = () => (nested().ms / nested().steps) * 1e6;

function loops() {
  const [from, to] = [12, 21];
  let best = Infinity;
  let steps = 0;
  const t = 3.7;
  const began = performance.now();
  for (let a = from; a <= to; a++)
    for (let b = from; b <= to; b++)
      for (let c = from; c <= to; c++)
        for (let d = from; d <= to; d++)
          for (let e = from; e <= to; e++)
            for (let f = from; f <= to; f++) {
              const error = Math.abs((a * b * c) / (d * e * f) / t - 1);
              if (error < best) best = error;
              steps++;
            }
  const ms = performance.now() - began;
  return { steps, ms, each: ms / steps };
}

function growth() {
  for (const [k, wanted] of [
    [3, 2.9],
    [4, 3.6],
  ]) {
    const times = [29, 58, 116].map((w) =>
      least(ask({ ...request(YEAR), kit: kit(range(12, 11 + w)), maxStages: k }), 5),
    );
    const exponent = Math.log(times[2] / times[1]) / Math.log(2);
    console.log(
      `growth with the number of wheels, ${k} pairs: ${times.map((t) => t.toFixed(1)).join(', ')} ms for 29, 58, 116 wheels: w^${exponent.toFixed(2)} (wanted ≤ ${wanted})`,
    );
  }
}

function memory() {
  globalThis.gc?.();
  const held = () => process.memoryUsage().arrayBuffers + process.memoryUsage().heapUsed;
  const base = held();
  let most = base;
  const search = find(four);
  for (let s = search.next(false); !s.done; s = search.next(false)) most = Math.max(most, held());
  console.log(`memory above base, 4 pairs: ${((most - base) / 2 ** 20).toFixed(0)} MB (wanted ≤ 60)`);
}

const share = (index, of) =>
  new Promise((done) => {
    const child = spawn(process.execPath, [fileURLToPath(import.meta.url), '--share', index, of].map(String));
    let out = '';
    child.stdout.on('data', (d) => (out += d));
    child.on('close', () => done(Number(out)));
  });

/** Two workers against one, on a search of seconds; each tells its own time without its start. */
export async function workersBench() {
  const one = await share(0, 1);
  const two = Math.max(...(await Promise.all([share(0, 2), share(1, 2)])));
  console.log(
    `divisions {97}, four pairs: one worker ${one.toFixed(0)} ms, two ${two.toFixed(0)} ms: ${(one / two).toFixed(2)} times as fast (wanted ≥ 1.5; what takes under a second gets one)`,
  );
}
