import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  applyEdit,
  buildFault,
  driveFault,
  MAX_BUILD,
  newDrive,
  type BuildStep,
  type Drive,
} from '../drive/index.ts';
import { wheelCutter } from '../testing/samples.ts';
import {
  buildFromTrain,
  buildStates,
  movedStep,
  reopened,
  withDone,
  withStep,
  withStepText,
} from './index.ts';

const steps = buildFromTrain(wheelCutter());
const pass = (list: readonly BuildStep[], ...ids: string[]): readonly BuildStep[] =>
  ids.reduce((now, id) => withDone(now, id, '2026-11-28') ?? now, list);

describe('a build from the train', () => {
  test('work first, the stages from the work back, motor last, nothing final before the meshes are set', () => {
    const ids = steps.map((s) => s.id);
    expect(ids).toEqual([
      'parts',
      'spot',
      'work',
      'stage-1',
      'mesh-1',
      'stage-0',
      'belt-0',
      'free',
      'final',
      'source',
    ]);
    const final = steps.findIndex((s) => s.fastener === 'final');
    expect(final).toBeGreaterThan(steps.findIndex((s) => s.id === 'mesh-1'));
    expect(buildFault({ steps })).toBeNull();
  });
  test('a motor straight on the work has a list, too', () =>
    expect(buildFromTrain(newDrive('x')).map((s) => s.id)).toEqual([
      'parts',
      'spot',
      'work',
      'free',
      'final',
      'source',
    ]));
});

describe('gates', () => {
  test('one that is not passed stops all after it, and says which', () => {
    const states = buildStates(steps);
    expect(states.map((s) => s.is)).toEqual(['next', ...Array<string>(9).fill('stopped')]);
    expect(states[5]!.by?.id).toBe('parts');
    expect(withDone(steps, 'work', '2026-11-28')).toBeNull();
  });
  test('passed, the next one opens; a step without a gate stops nothing', () => {
    const on = pass(steps, 'parts', 'spot', 'work');
    const states = buildStates(on);
    expect(states.map((s) => s.is).slice(0, 6)).toEqual(['done', 'done', 'done', 'next', 'waits', 'stopped']);
    expect(on[0]).toMatchObject({ done: '2026-11-28' });
    expect(withDone(on, 'stage-1', '2026-11-28', 12)!.find((s) => s.id === 'stage-1')).toMatchObject({
      minutes: 12,
    });
    expect(withDone(on, 'work', '2026-11-28')).toBeNull();
  });
  test('going back opens it and all that was done after it, in order', () => {
    const on = pass(steps, 'parts', 'spot', 'work', 'stage-1', 'mesh-1');
    const { open, steps: again } = reopened(on, 'work');
    expect(open.map((s) => s.id)).toEqual(['work', 'stage-1', 'mesh-1']);
    expect(buildStates(again).find((s) => s.is === 'next')!.step.id).toBe('work');
    expect(reopened(on, 'nowhere')).toEqual({ open: [], steps: on });
  });
  test('whatever is done in whatever order, nothing after an open gate is ever done', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(9), { maxLength: 60 }), (order) => {
        let list = steps;
        for (const i of order) list = withDone(list, list[i]!.id, '2026-11-28') ?? list;
        const gate = list.findIndex((s) => s.gate && !s.done);
        expect(list.slice(gate + 1).some((s) => s.done) && gate >= 0).toBe(false);
      }),
    );
  });
});

describe('a list of one’s own', () => {
  test('steps are added with names that are free, moved, worded', () => {
    const one = withStep(steps, 'parts', 'Grease');
    const two = withStep(one, 'parts', 'Again');
    expect(two.slice(0, 3).map((s) => s.id)).toEqual(['parts', 'own-2', 'own-1']);
    expect(
      movedStep(two, 'own-1', -1)
        .slice(0, 3)
        .map((s) => s.id),
    ).toEqual(['parts', 'own-1', 'own-2']);
    expect(movedStep(two, 'parts', -1)).toBe(two);
    expect(withStepText(one, 'own-1', 'gate', ' greased ')[1]).toMatchObject({ gate: 'greased' });
    expect(withStepText(withStepText(one, 'own-1', 'gate', 'x'), 'own-1', 'gate', '')[1]).not.toHaveProperty(
      'gate',
    );
    expect(withStepText(one, 'own-1', 'title', '  ')[1]!.title).toBe('Grease');
  });
  test('it is kept with the drive by one edit, and what is wrong in it is named', () => {
    const made = applyEdit(wheelCutter(), { do: 'build', steps, message: 'build from the train' });
    expect(made.ok && made.value.build?.steps).toEqual(steps);
    expect(made.ok && driveFault(made.value)).toBeNull();
    const gone = made.ok ? applyEdit(made.value, { do: 'build', steps: null, message: '' }) : made;
    expect(gone.ok && 'build' in gone.value).toBe(false);
    const bad = (step: object): string | undefined => buildFault({ steps: [steps[0], step] })?.path;
    expect(bad({ id: 'parts', title: 'twice' })).toBe('steps[1].id');
    expect(bad({ id: 'a', title: '' })).toBe('steps[1].title');
    expect(bad({ id: 'a', title: 'a', fastener: 'tight' })).toBe('steps[1].fastener');
    expect(bad({ id: 'a', title: 'a', minutes: -1 })).toBe('steps[1].minutes');
    expect(buildFault({ steps: [{ id: 'a', title: 'a', gate: 'x'.repeat(201) }] })).toMatchObject({
      code: 'tooLong',
      path: 'steps[0].gate',
    });
    expect(buildFault({ steps: 3 })?.path).toBe('steps');
    expect(buildFault(null)?.path).toBe('steps');
    expect(
      buildFault({ steps: Array.from({ length: MAX_BUILD + 1 }, (_, i) => ({ id: String(i), title: 'x' })) })
        ?.code,
    ).toBe('tooLarge');
    const wrong = { ...wheelCutter(), build: { steps: [{ id: '', title: 'x' }] } } as Drive;
    expect(driveFault(wrong)?.path).toBe('build.steps[0].id');
  });
});
