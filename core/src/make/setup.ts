import { sourceKindOf, type Build, type BuildStep, type Drive } from '../drive/index.ts';

/** What is gone through at the machine before the first gap, with its gates. (handbook: make, building in order) */
export function setupOf({ train: { source } }: Drive): readonly BuildStep[] {
  const byHand = sourceKindOf(source).glyph === 'crank';
  return [
    {
      id: 'arbor',
      title: 'Blank on its arbor, nut tight',
      gate: 'runs true by the gauge',
      tools: 'dial gauge',
    },
    {
      id: 'square',
      title: 'Head square to the table, cutter centred on the work',
      gate: 'centred both ways',
    },
    { id: 'clamped', title: 'Head and table clamped', fastener: 'final', gate: 'nothing moves by hand' },
    ...(byHand
      ? [{ id: 'arms', title: 'Plate on, sector arms set to the holes and one', gate: 'arms counted twice' }]
      : [
          {
            id: 'current',
            title: 'Supply on, current limit set, motor holds',
            gate: 'the axis moves the right way',
          },
        ]),
    { id: 'side', title: 'Lost motion taken up from the side the run comes from' },
    { id: 'touch', title: 'Cutter turning by hand touches the blank: touch off' },
    { id: 'zero', title: 'Zero set and the mark drawn', gate: 'mark drawn on work and head' },
    { id: 'depth', title: 'Depth of the first pass set, stop locked', tools: 'the cut list' },
    { id: 'guards', title: 'Guards on, eye protection, sleeves, nobody’s hands in' },
  ];
}

/** How a set-up stands: whether the first gap may be offered, and what is open. A drive without a list has none to sign. */
export function setupStands(setup: Build | undefined): {
  readonly signed: boolean;
  readonly open: readonly BuildStep[];
} {
  const open = (setup?.steps ?? []).filter((s) => !s.done);
  return { signed: open.length === 0 || (setup?.skipped ?? '').trim() !== '', open };
}

/** The list for the next blank: nothing done, nothing skipped. */
export const setupAgain = (steps: readonly BuildStep[]): readonly BuildStep[] =>
  steps.map(({ done: _, minutes: __, ...step }) => step);

/** Minutes that its steps took. */
export const minutesOf = (steps: readonly BuildStep[]): number =>
  steps.reduce((n, s) => n + (s.minutes ?? 0), 0);
