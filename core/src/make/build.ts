import { kindOf, sourceKindOf, type BuildStep, type Drive } from '../drive/index.ts';

/** A step with how it stands among the others. */
export interface BuildState {
  readonly step: BuildStep;
  /** the next one to do, done, waiting its turn, or stopped by a gate before it */
  readonly is: 'done' | 'next' | 'waits' | 'stopped';
  /** the step whose gate is not passed */
  readonly by: BuildStep | null;
}

/**
 * The steps of a build from the train: shafts from the work back, each with its bearings and wheels, turned by hand before the next goes
 * in; the meshes set before anything is final; the source last. (handbook: make, building in order)
 */
export function buildFromTrain({ train: { source, stages, output } }: Drive): readonly BuildStep[] {
  const steps: BuildStep[] = [];
  const add = (id: string, title: string, more: Partial<BuildStep> = {}): void => {
    steps.push({ id, title, ...more });
  };
  add('parts', 'Lay out all parts, count them, dress every edge', {
    gate: 'no burr in bore, groove or tooth',
  });
  add('spot', 'Spot all holes of the plates before one is drilled through', {
    gate: 'every hole spotted where the drawing has it',
  });
  add('work', `${output.kind === 'rotary' ? 'Work shaft' : 'Screw, rail or drum'} with its bearings`, {
    fastener: 'snug',
    gate: 'turns freely all the way round',
    way: 'bearing shoulders inwards',
  });
  [...stages.keys()].reverse().forEach((at) => {
    const stage = stages[at]!;
    const { title, label } = kindOf(stage);
    const name = `${title} ${label(stage)}`;
    const { form } = kindOf(stage).shape(stage);
    add(`stage-${at}`, `${name}: wheels, collars and keys on their shafts`, {
      fastener: 'loose',
      tools: form === 'belt' ? 'hex key, thread lock' : 'hex key, dial gauge',
      ...(form === 'worm' || form === 'mesh'
        ? { way: 'hub to the bearing; mark the worm and its wheel' }
        : {}),
    });
    if (form === 'mesh' || form === 'worm')
      add(`mesh-${at}`, `${name}: set the mesh`, {
        fastener: 'snug',
        gate: 'smooth, no rattle at its tightest place, screws locked',
        tools: 'the helper beside',
      });
    else if (form === 'belt')
      add(`belt-${at}`, `${name}: belt on, tightened`, {
        fastener: 'snug',
        gate: 'runs in the middle, gives a little under a finger',
      });
    else
      add(`case-${at}`, `${name}: closed`, {
        fastener: 'snug',
        gate: 'greased, and turns freely before it is closed',
      });
  });
  add('free', 'Turn the whole train by hand from the first shaft', {
    gate: 'turns freely all the way round, no tight place',
  });
  add('final', 'All screws final, set screws with a witness mark', {
    fastener: 'final',
    tools: 'thread lock, paint',
  });
  add('source', `${sourceKindOf(source).title}: on, wires checked as pairs`, {
    fastener: 'final',
    gate: 'two coils measured; the axis moves the right way',
    tools: 'ohmmeter',
  });
  return steps;
}

/** Each step as it stands: a gate that is not passed stops everything after it. */
export function buildStates(steps: readonly BuildStep[]): readonly BuildState[] {
  let gate: BuildStep | null = null;
  let next = false;
  return steps.map((step): BuildState => {
    if (step.done) return { step, is: 'done', by: null };
    const is = gate ? 'stopped' : next ? 'waits' : 'next';
    const by = gate;
    next = true;
    if (step.gate && !gate) gate = step;
    return { step, is, by };
  });
}

/** The list with a step done on a day; null where a gate before it is not passed. */
export function withDone(
  steps: readonly BuildStep[],
  id: string,
  day: string,
  minutes?: number,
): readonly BuildStep[] | null {
  const state = buildStates(steps).find((s) => s.step.id === id);
  if (!state || state.is === 'stopped' || state.is === 'done') return null;
  return steps.map((s) => (s.id === id ? { ...s, done: day, ...(minutes !== undefined && { minutes }) } : s));
}

/** Going back to a step: it and all that was done after it are open again, in order. */
export function reopened(
  steps: readonly BuildStep[],
  id: string,
): { readonly steps: readonly BuildStep[]; readonly open: readonly BuildStep[] } {
  const from = steps.findIndex((s) => s.id === id);
  const open = from < 0 ? [] : steps.slice(from).filter((s) => s.done);
  return {
    open,
    steps: steps.map((s, i) => {
      if (from < 0 || i < from || !s.done) return s;
      const { done: _, minutes: __, ...again } = s;
      return again;
    }),
  };
}

/** A step after another, with an id that is free. */
export function withStep(
  steps: readonly BuildStep[],
  after: string | null,
  title: string,
): readonly BuildStep[] {
  const taken = new Set(steps.map((s) => s.id));
  let n = 1;
  while (taken.has(`own-${n}`)) n++;
  const at = after === null ? steps.length : steps.findIndex((s) => s.id === after) + 1;
  return [...steps.slice(0, at), { id: `own-${n}`, title }, ...steps.slice(at)];
}

/** One key of a step as typed; an empty text takes it away. */
export const withStepText = (
  steps: readonly BuildStep[],
  id: string,
  key: 'title' | 'gate' | 'way' | 'tools',
  text: string,
): readonly BuildStep[] =>
  steps.map((s) => {
    if (s.id !== id || (key === 'title' && text.trim() === '')) return s;
    const { [key]: _, ...rest } = s;
    return (text.trim() === '' ? rest : { ...rest, [key]: text.trim() }) as BuildStep;
  });

/** Up or down by one place. */
export function movedStep(steps: readonly BuildStep[], id: string, by: -1 | 1): readonly BuildStep[] {
  const at = steps.findIndex((s) => s.id === id);
  const to = at + by;
  if (at < 0 || to < 0 || to >= steps.length) return steps;
  const out = [...steps];
  [out[at], out[to]] = [out[to]!, out[at]!];
  return out;
}
