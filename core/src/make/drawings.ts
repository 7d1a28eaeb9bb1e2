import type { Drive } from '../drive/index.ts';
import { madeForms } from './forms.ts';
import { motorFaces } from './fits.ts';
import { madeWheels, workWheels } from './wheels.ts';

/** A drawing that can be asked for by its name. */
export interface DrawingName {
  /** "wheel-3" */
  readonly name: string;
  /** "Wheel 3" */
  readonly title: string;
}

/** One kind of drawing at 1:1: which of them a drive has. How it is drawn is said in `exports/drawings.ts`, which the compiler holds to this list. */
interface DrawingKind {
  readonly of: (drive: Drive) => readonly DrawingName[];
  /** the words before the number in its names; its own id unless said */
  readonly called?: readonly string[];
  /** "wheel-3", where the number says which */
  readonly numbered?: true;
  /** of all trains together, where there is a plan of the arbors */
  readonly plan?: true;
  /** shown with its wheel, not among the circles */
  readonly wheel?: true;
  /** any drive has it: a dial, a motor's face */
  readonly any?: true;
}

/** Every kind of drawing, in the order they are offered. One line a kind. */
export const drawingKinds = {
  wheel: {
    of: (drive) =>
      madeWheels(drive).map((w) => ({
        name: `wheel-${w.number}`,
        title: `Wheel ${w.number}, ${w.teeth} teeth`,
      })),
    numbered: true,
    wheel: true,
  },
  work: {
    of: (drive) =>
      workWheels(drive).map((w) => ({ name: w.key, title: `Wheel of the work, ${w.teeth} teeth` })),
    numbered: true,
    wheel: true,
  },
  plate: {
    of: ({ plates }) =>
      (plates?.plates ?? []).map((_, i) => ({ name: `plate-${i}`, title: `Plate ${i + 1}` })),
    numbered: true,
  },
  form: {
    of: (drive) =>
      madeForms(drive).map(({ key, form, stage }) => ({
        name: key,
        title: `${form.label}, stage ${stage + 1}`,
      })),
    called: ['lobes', 'slots'],
    numbered: true,
  },
  dial: { of: () => [{ name: 'dial', title: 'Dial' }], any: true },
  vernier: { of: () => [{ name: 'vernier', title: 'Vernier' }], any: true },
  arbors: { of: () => [{ name: 'arbors', title: 'Arbor plan' }], plan: true },
  front: { of: () => [{ name: 'front', title: 'Front plate' }], plan: true },
  back: { of: () => [{ name: 'back', title: 'Back plate' }], plan: true },
  motor: {
    of: () => motorFaces.map((f) => ({ name: `motor-${f.frame}`, title: `Motor face ${f.frame}` })),
    numbered: true,
    any: true,
  },
} as const satisfies Readonly<Record<string, DrawingKind>>;

export type DrawingKindId = keyof typeof drawingKinds;
const IDS = Object.keys(drawingKinds) as readonly DrawingKindId[];
const kindOf = (id: DrawingKindId): DrawingKind => drawingKinds[id];

/** Every drawing of a drive; `own` without those that any has. */
export const drawingsOf = (drive: Drive, own = false): readonly DrawingName[] =>
  IDS.flatMap((id) => (own && kindOf(id).any ? [] : kindOf(id).of(drive)));

/** Those that are no wheel; the plan's only where there is one. */
export const circleDrawings = (drive: Drive, planned: boolean): readonly DrawingName[] =>
  IDS.filter((id) => !kindOf(id).wheel && (planned || !kindOf(id).plan)).flatMap((id) =>
    kindOf(id).of(drive),
  );

/** Whether a drawing is of all trains together. */
export const isOfPlan = (name: string): boolean => {
  const of = drawingKindOf(name);
  return of !== null && kindOf(of.kind).plan === true;
};

/** The kind that a name is of, and its number where it has one; null for a name of none. */
export function drawingKindOf(
  name: string,
): { readonly kind: DrawingKindId; readonly number: number | null } | null {
  const [, word = '', digits] = /^([a-z]+)(?:-(\d+))?$/.exec(name) ?? [];
  const kind = IDS.find((id) => (kindOf(id).called ?? [id]).includes(word));
  if (!kind || (kindOf(kind).numbered ?? false) !== (digits !== undefined)) return null;
  return { kind, number: digits === undefined ? null : Number(digits) };
}
