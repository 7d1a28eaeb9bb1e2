import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';

/**
 * What is reckoned in one place, and how a second answer would look. A file that matches and is not the place fails here: it is to ask instead.
 */
const ONE_PLACE: readonly {
  readonly what: string;
  readonly home: readonly string[];
  readonly looks: RegExp;
}[] = [
  {
    what: 'the distance of a pair, m·(z1 + z2)/2, and the involute: teeth/',
    // a belt's length holds p·(z1 + z2)/2, which is no distance
    home: ['core/src/teeth/', 'core/src/make/belt.ts'],
    looks:
      /\(?\s*z1\s*[+-]\s*(sign \* )?z2\s*\)?\s*\)?\s*\/\s*2|moduleMm?\s*\*\s*\(?\s*\w*\.?(z1|teeth)\s*\+|Math\.tan\((\w+)\)\s*-\s*\3\b/,
  },
  {
    what: 'the module of a stage: drive/stages/module.ts',
    home: [
      'core/src/drive/stages/module.ts',
      'core/src/drive/stages/cycloid-pinion.ts',
      'core/src/drive/stages/strain-wave.ts',
    ],
    looks: /25\.4\s*\/|\bs(tage)?\.moduleMm\b\s*(\?\?|===|!==)/,
  },
  {
    what: 'half a step at the work: motion/step.ts',
    home: ['core/src/motion/step.ts'],
    looks:
      /(microstepArcsec|stepsPerTurn|perTurn)\([^\n]*\)\)?\s*\/\s*2\b|1_296_000\s*\/\s*(2\s*\/\s*)?toNumber\((k\.)?stepsPerTurn/,
  },
  {
    what: 'the torque that a motor holds with: turning/motor.ts',
    // the sweep for the rough speed asks what is typed beside it
    home: ['core/src/turning/', 'core/src/force/tests.ts'],
    looks: /\.holdingNm\b\s*[*/]|[*/]\s*(\w+\.)?holdingNm\b|currentLimitA\s*\/\s*currentA/,
  },
  {
    what: 'the stop window: the motor’s card',
    home: ['core/src/drive/sources/encoder-motor.ts'],
    looks: /windowCounts\s*\?\?\s*\d|(?<!_)\bWINDOW\s*=\s*\d/,
  },
  {
    what: 'where a motor shakes, at the work: turning/motor.ts',
    home: ['core/src/turning/'],
    looks: /\bresonanceOf\(|inertiaKgM2\s*\?\?\s*0\)\s*\/\s*\w*ratio/i,
  },
  {
    what: 'which way a stage turns: reverses of drive/kinematics.ts',
    home: ['core/src/drive/kinematics.ts'],
    looks: /isNegative\((kindOf\(\w+\)|kind)\.reduction\(/,
  },
];

const root = new URL('../../', import.meta.url);
function filesIn(dir: string): readonly string[] {
  return readdirSync(new URL(dir, root), { withFileTypes: true }).flatMap((e) => {
    const at = `${dir}${e.name}`;
    if (e.isDirectory())
      return e.name === 'testing' || e.name === 'dist' || e.name === 'node_modules' ? [] : filesIn(`${at}/`);
    return /(?<!\.test|\.bench|\.spec)\.(ts|vue)$/.test(e.name) ? [at] : [];
  });
}
const files = ['core/src/', 'web/src/', 'cli/src/'].flatMap(filesIn);

test('there are files to look at', () => expect(files.length).toBeGreaterThan(400));

test.each(ONE_PLACE)('$what', ({ home, looks }) => {
  const second = files
    .filter((f) => !home.some((h) => f.startsWith(h)))
    .filter((f) => {
      const code = readFileSync(new URL(f, root), 'utf8').replace(/\/\*[\s\S]*?\*\/|\/\/[^\n]*/g, '');
      return looks.test(code);
    });
  expect(second).toEqual([]);
});

test('each of them notices one', () => {
  const wrong = [
    'const c = (moduleMm * (z1 + z2)) / 2;',
    'const m = stage.moduleMm ?? 1;',
    'const half = toNumber(microstepArcsec(stepsPerTurn)) / 2;',
    'const held = source.holdingNm * 0.5;',
    'const w = source.windowCounts ?? 4;',
    'const band = resonanceOf(source, (load.inertiaKgM2 ?? 0) / ratio ** 2);',
    'const back = isNegative(kindOf(stage).reduction(stage));',
  ];
  expect(ONE_PLACE.map(({ looks }, i) => looks.test(wrong[i]!))).toEqual(wrong.map(() => true));
});
