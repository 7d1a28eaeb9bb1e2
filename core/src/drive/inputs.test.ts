import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { checkModes, encoderInputs, outputs, readModes, sources, stages, type InputSpec } from './index.ts';
import { checkInput, defaultsOf, readInput, refusalOf, show, showInput } from './inputs.ts';
import { commonInputs } from './stages/common.ts';

const inputsOf = (kind: string, inputs: readonly InputSpec[]): (readonly [string, InputSpec])[] =>
  inputs.map((spec) => [`${kind}.${spec.key}`, spec] as const);
const specs = [...Object.values(stages), ...Object.values(sources), ...Object.values(outputs)].flatMap(
  (kind) => inputsOf(kind.kind, kind.inputs),
);
specs.push(...inputsOf('any', commonInputs), ...inputsOf('encoder', encoderInputs));

/** Any text that a field could be given. */
const typed = fc.oneof(
  fc.string({ maxLength: 12 }),
  fc.integer({ min: -5, max: 20_000 }).map(String),
  fc.double({ noNaN: true, min: 0.001, max: 200 }).map((n) => String(Number(n.toPrecision(6)))),
  fc.tuple(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 1, max: 200 })).map(([a, b]) => `${a}:${b}`),
  // in another unit: 7″ are 0.116 666… ′, and its sixteen digits are read as the same double
  fc
    .tuple(
      fc.integer({ min: 1, max: 400 }),
      fc.constantFrom('"', "'", '°', ' mm', ' in', ' kg', ' lb', ' N·cm'),
    )
    .map((parts) => parts.join('')),
);

describe.each(specs)('%s', (_, spec) => {
  test('its default is within its own limits', () => {
    // Without an estimate there is nothing to hold against the limits.
    if (spec.optional && !spec.default) return expect(defaultsOf([spec])).toEqual({});
    const value = { ...defaultsOf([{ ...spec, optional: undefined } as unknown as InputSpec]) }[spec.key];
    expect(checkInput(spec, value)).toEqual({ ok: true, value });
    expect(readInput(spec, showInput(spec, value))).toEqual({ ok: true, value });
  });

  test('what a field takes, a file takes, and the field shows it again as the same', () => {
    fc.assert(
      fc.property(typed, (text) => {
        const read = readInput(spec, text);
        if (!read.ok) return;
        expect(checkInput(spec, read.value)).toEqual({ ok: true, value: read.value });
        const again = readInput(spec, showInput(spec, read.value));
        expect(again).toEqual({ ok: true, value: read.value });
      }),
    );
  });

  test.each([[null], [[]], [{}], [true], [Number.NaN], [Infinity], ['']])(
    '%j from a file is refused, not thrown',
    (value) => {
      expect(checkInput(spec, value).ok).toBe(
        (spec.type === 'text' && value === '') || (spec.type === 'flag' && value === true),
      );
    },
  );

  test('it has words for a label', () => {
    expect(spec.label).toMatch(/^[A-Z]/);
  });
});

describe('inputs of one kind together', () => {
  const { inputs } = stages.belt;

  test('what must be there and is not is named', () => {
    expect(refusalOf(inputs, { z1: 20 })).toMatchObject({ code: 'missing', path: 'z2' });
    expect(refusalOf(inputs, { z1: 20, z2: 76 })).toBeNull();
    expect(refusalOf(inputs, { z1: 20, z2: 76, pitchMm: -1 })).toMatchObject({
      code: 'negative',
      path: 'pitchMm',
    });
  });

  test('a new stage starts with what it needs; what is optional stays an estimate', () => {
    expect(defaultsOf(inputs)).toEqual({ z1: 20, z2: 60 });
  });

  test('an absent optional shows nothing', () => {
    expect(showInput(inputs[2]!, undefined)).toBe('');
  });
});

test('values are echoed as they stand in a file', () => {
  expect([show('x'), show(3), show(null), show(undefined), show({ a: 1 })]).toEqual([
    '"x"',
    '3',
    'null',
    'undefined',
    '{"a":1}',
  ]);
});

describe('the modes of a driver', () => {
  test.each([
    ['1, 2, 4', [1, 2, 4]],
    ['16 8 4', [4, 8, 16]],
    ['1/1; 1/32', [1, 32]],
    ['8, 8, 8', [8]],
    ['5', [5]],
  ])('%s', (text, want) => {
    const read = readModes(text);
    expect(read.ok && read.value).toEqual(want);
  });

  test.each([
    ['', 'empty'],
    ['0', 'zero'],
    ['2.5', 'notWhole'],
    ['-4', 'negative'],
    ['2048', 'tooLarge'],
    ['fine', 'notModes'],
    ['1/16/2', 'notModes'],
    ['16/1', 'notModes'],
    [Array.from({ length: 25 }, (_, i) => i + 1).join(' '), 'tooMany'],
  ])('%s is refused: %s', (text, code) => {
    const read = readModes(text);
    expect(read.ok ? 'taken' : read.refusal.code).toBe(code);
  });

  test.each([
    [[1, 2], 2, 'taken'],
    [[1, 2], 4, 'notAMode'],
    [[1, '2'], 1, 'notModes'],
    [[1.5], 1, 'notWhole'],
    [undefined, 1, 'notList'],
    [[1], undefined, 'missing'],
    [[1], '1', 'notNumber'],
  ])('%j with %j from a file: %s', (modes, mode, code) => {
    const checked = checkModes(modes, mode);
    expect(checked.ok ? 'taken' : checked.refusal.code).toBe(code);
  });
});
