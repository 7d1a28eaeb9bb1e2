import fc from 'fast-check';
import { kindOf, stages, type InputSpec, type Stage } from '../drive/index.ts';

/** Any value that an input takes. */
function anyValue(spec: InputSpec): fc.Arbitrary<unknown> {
  switch (spec.type) {
    case 'count':
      return fc.integer({ min: spec.min, max: Math.min(spec.max, spec.min + 130) });
    case 'size':
      return fc.double({ min: Math.max(spec.min, 0.2), max: Math.min(spec.max, 4), noNaN: true });
    case 'ratio':
      return fc
        .tuple(fc.integer({ min: 1, max: 999 }), fc.integer({ min: 1, max: 99 }), fc.boolean())
        .map(([n, d, minus]) => `${minus ? '-' : ''}${n}/${d}`);
    case 'signed':
      return fc.integer({ min: -4000, max: 4000 }).map((n) => `${n}/10`);
    case 'number':
      return fc.double({ min: spec.min, max: spec.max, noNaN: true });
    case 'flag':
      return fc.boolean();
    case 'clock':
    case 'period':
    case 'exact':
      return fc.integer({ min: 1, max: 4000 }).map((n) => `${n}/10`);
    case 'pairs':
      return fc.array(fc.tuple(fc.integer({ min: 6, max: 40 }), fc.integer({ min: 6, max: 90 })), {
        minLength: 1,
        maxLength: 4,
      });
    case 'text':
      return fc.string({ maxLength: 12 });
    case 'choice':
      return fc.constantFrom(...spec.options.map((o) => (spec.number ? Number(o.value) : o.value)));
  }
}

const ROLES = [
  ['ring', 'sun', 'carrier'],
  ['ring', 'carrier', 'sun'],
  ['sun', 'ring', 'carrier'],
  ['sun', 'carrier', 'ring'],
  ['carrier', 'sun', 'ring'],
  ['carrier', 'ring', 'sun'],
] as const;

/** Any stage of one kind, with any of its optional inputs; never one that the kind refuses. */
export const anyOfKind = (id: keyof typeof stages): fc.Arbitrary<Stage> => {
  const { inputs } = kindOf({ kind: id });
  const record = fc.record(Object.fromEntries(inputs.map((spec) => [spec.key, anyValue(spec)])), {
    requiredKeys: inputs.filter((i) => !i.optional).map((i) => i.key),
  });
  const whole = fc.tuple(record, fc.constantFrom(...ROLES)).map(([values, [fixed, from, to]]) => {
    const roles = id === 'planetary' ? { fixed, in: from, out: to } : {};
    return { kind: id, ...values, ...roles } as unknown as Stage;
  });
  return whole.filter((stage) => (kindOf(stage).refuse?.(stage) ?? null) === null);
};

/** Any stage of any kind of the registry. */
export const anyStage: fc.Arbitrary<Stage> = fc.oneof(
  ...(Object.keys(stages) as (keyof typeof stages)[]).map(anyOfKind),
);
