// Whole drives of the demo shelf: the choice, and beside it what judging every sequence one by one would take.
import { readFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import { ROOT } from './setup.mjs';

const SAMPLE = 300;
/** A page asks for the first time after so long, ms. */
const SOON = 300;
const read = (name) => readFileSync(`${ROOT}demo/${name}`, 'utf8');

/** Numbers that look rolled, the same in every run. */
function* rolled() {
  let state = 7;
  for (;;) yield (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/** ms until there are drives to show, as a page asks for them, and until all was proven. */
function timed(choose, request) {
  const begun = performance.now();
  const past = () => performance.now() - begun;
  let first = null;
  const search = choose(request, (soFar) => {
    if (first === null && past() >= SOON && soFar().best.length > 0) first = past();
  });
  while (!search.next(false).done);
  return [first, past()];
}

export async function chooseBench() {
  const { readChooseRequest, readShelf } = await import('../core/src/files/index.ts');
  const { candidateOf, choose, driveWith, measureOf, sequences } =
    await import('../core/src/choose/index.ts');
  const shelf = readShelf(read('lantern-hill.shelf.json'));
  const asked = JSON.parse(read('choose-sundial.request.json'));
  asked.pool.maxStages = 3;
  const { value: request } = readChooseRequest(JSON.stringify(asked), shelf.value, 5);

  const [first, whole] = timed(choose, request);

  const dice = rolled();
  const roll = (list) => list[Math.floor(dice.next().value * list.length)];
  const from = performance.now();
  for (let i = 0; i < SAMPLE; i++) {
    const source = roll(request.sources);
    const stages = Array.from({ length: request.maxStages }, () => roll(request.stages).stage);
    const drive = driveWith(request.wanted, source, roll(source.modes), stages);
    const candidate = candidateOf(drive, { buy: null, make: 0 });
    for (const id of request.measures) measureOf(id).of(candidate);
  }
  const each = (performance.now() - from) / SAMPLE;
  const modes = request.sources.reduce((n, s) => n + s.modes.length, 0);
  const nested = each * modes * sequences(request);
  console.log('\nwhole drives, demo shelf, five counts, three stages, on one core');
  console.log(
    `  first drives after ${Math.round(first)} ms (wanted < 1000); all proven in ${(whole / 1000).toFixed(1)} s (wanted < 10)`,
  );
  const four = { ...request, maxStages: 4 };
  const [, all] = timed(choose, four);
  console.log(
    `  four stages, ${shelf.value.length} lines of the shelf, ${sequences(four).toLocaleString('en')} sequences: proven in ${(all / 1000).toFixed(1)} s (wanted < 60)`,
  );
  console.log(
    `  judging each of ${(modes * sequences(request)).toLocaleString('en')} drives, ${each.toFixed(2)} ms each: ${Math.round(nested / whole).toLocaleString('en')} times as long (wanted > 20)`,
  );
}
