import {
  at,
  LARGEST_COUNT,
  plainText,
  readCount,
  readGears,
  readPlates,
  readWorm,
  error,
  ok,
  exactly,
  type Rational,
  type Result,
} from '@pendrix/core';
import { drillingMoves, makingAnswer, makingCsv, platesAnswer } from '@pendrix/core/files/index';
import { table, type Command } from './command.ts';
import { readOptions } from './options.ts';

/** Radius of the circle on the mill when none is given, mm. */
const RADIUS = 50;

/** `pendrix plates --worm 40 --circles 15,16;21,23 --divisions 77 [--gears 24,24,28]`: dividing by hand. (handbook: divide, index plates) */
export const plates: Command = {
  name: 'plates',
  usage: 'plates --worm 40 --circles 15,16;21,23 --divisions 77 [--gears …] [--json]',
  message: 'how index plates make a count; --make 26 for the list that makes a plate',
  run: (words) => Promise.resolve(run(words)),
};

function run(words: readonly string[]): Result<string> {
  const given = readOptions(words, {
    json: 'flag',
    gcode: 'flag',
    worm: 'text',
    circles: 'text',
    divisions: 'text',
    gears: 'text',
    make: 'text',
    radius: 'text',
  });
  if (!given.ok) return given;
  const { files, flags, texts } = given.value;
  if (files[0] !== undefined)
    return error('noOption', files[0], {
      limit: '--worm, --circles, --divisions, --gears, --make, --json',
    });
  const worm = readOption(texts, 'worm', '40', readWorm);
  if (!worm.ok) return worm;
  const ratio = exactly(worm.value);
  if (texts.has('make')) return make(ratio, texts, flags);
  const circles = readOption(texts, 'circles', '15,16,17;21,23', readPlates);
  if (!circles.ok) return circles;
  const divisions = readOption(texts, 'divisions', '77', (t) =>
    readCount(t, { min: 1, max: LARGEST_COUNT, unit: 'divisions', example: '77' }),
  );
  if (!divisions.ok) return divisions;
  const gears = texts.has('gears') ? readOption(texts, 'gears', '24,32,48', readGears) : ok([]);
  if (!gears.ok) return gears;
  const answer = platesAnswer(ratio, circles.value, divisions.value, gears.value);
  if (flags.has('json')) return ok(JSON.stringify(answer, null, 2));
  const { simple, compound, smallestNewCircle } = answer;
  const parts = [
    `${divisions.value} divisions by a worm of ${worm.value}: ${answer.turns} turns of the crank each.`,
  ];
  if (simple.length > 0)
    parts.push(
      table(
        ['Circle', 'turns', 'holes', 'arms over'],
        simple.map((m) => [m.circle, m.wholeTurns, m.holes, m.holes + 1].map(String)),
      ),
    );
  if (smallestNewCircle !== null)
    parts.push(`No circle serves; the smallest to make has ${smallestNewCircle} holes.`);
  if (compound.length > 0)
    parts.push(
      table(
        ['Two circles', 'holes'],
        compound.slice(0, 10).map((m) => [m.circles.join(' and '), m.holes.join(' and ')]),
      ),
    );
  if (answer.differential.length > 0)
    parts.push(
      table(
        ['As', 'circle', 'holes', 'plate', 'drivers', 'driven'],
        (answer.differential as readonly Readonly<Record<string, unknown>>[])
          .slice(0, 10)
          .map((d) => ['near', 'circle', 'holes', 'ratio', 'drivers', 'driven'].map((key) => String(d[key]))),
      ),
    );
  return ok(plainText([parts.join('\n\n')]));
}

function make(
  worm: Rational,
  texts: ReadonlyMap<string, string>,
  flags: ReadonlySet<string>,
): Result<string> {
  const holes = readOption(texts, 'make', '26', (t) =>
    readCount(t, { min: 2, max: 2000, unit: 'holes', example: '26' }),
  );
  if (!holes.ok) return holes;
  const radius = texts.has('radius')
    ? readOption(texts, 'radius', '50', (t) => readCount(t, { min: 1, max: 5000, unit: 'mm', example: '50' }))
    : ok(RADIUS);
  if (!radius.ok) return radius;
  if (flags.has('json')) return ok(JSON.stringify(makingAnswer(worm, holes.value), null, 2));
  if (flags.has('gcode')) return ok(drillingMoves(holes.value, radius.value).trimEnd());
  return ok(makingCsv(worm, holes.value, radius.value).trimEnd());
}

function readOption<T>(
  texts: ReadonlyMap<string, string>,
  name: string,
  example: string,
  reader: (text: string) => Result<T>,
): Result<T> {
  const text = texts.get(name);
  const option = `--${name}`;
  if (text === undefined) return error('needsOption', option, { example: `${option} ${example}` });
  const read = reader(text);
  return read.ok ? read : { ok: false, refusal: at(option, read.refusal) };
}
