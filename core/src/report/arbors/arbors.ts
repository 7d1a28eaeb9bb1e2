import { trainsOf, layerName, type Drive, type Edit } from '../../drive/index.ts';
import {
  arborCures,
  arborPlan,
  layerCure,
  worstClash,
  type Arbor,
  type ArborCure,
  type ArborPlan,
  type ArborsClash,
  type Clash,
  type Disagreement,
  type PlanMesh,
  type PlanWheel,
} from '../../arbors/index.ts';
import { lazy } from '../lazy.ts';
import { counted, listed, measured, millimetres, signed } from '../../words/index.ts';

/** One arbor as a row of the list. */
export interface ArborRow {
  readonly id: number;
  readonly name: string;
  readonly how: string;
  readonly wheels: readonly {
    readonly id: number;
    readonly teeth: string;
    readonly layer: string;
    /** trains that it turns for, by number */
    readonly trains: readonly number[];
  }[];
  /** "4", or "4, 6, 8" of tubes; "?" where nobody gave one */
  readonly bores: string;
  /** to the arbors before it: name and mm; a second one that disagrees is marked */
  readonly distances: readonly { readonly to: string; readonly mm: string; readonly differs: boolean }[];
  readonly outputs: readonly string[];
}

/** Something to be mended, what can be done about it, and the edit that does it. */
export interface PlanCure {
  readonly title: string;
  readonly message: string;
  readonly edit: Edit;
}

export interface PlanTrouble {
  readonly kind: 'clash' | 'differs';
  readonly title: string;
  readonly message: string;
  /** arbors it is about */
  readonly arbors: readonly number[];
  readonly wheels: readonly number[];
  readonly cures: readonly PlanCure[];
}

export interface ArborsReport {
  readonly plan: ArborPlan;
  readonly rows: readonly ArborRow[];
  readonly clashes: readonly PlanTrouble[];
  readonly differs: readonly PlanTrouble[];
  /** "module 0.8, mm"; "" where several are used */
  readonly module: string;
  /** sentences that belong to the whole: worms at right angles, bores that nobody gave */
  readonly message: readonly string[];
}

const howWords = { pinned: 'pinned', solved: 'solved', swings: 'swings' } as const;

/** "76"; a rim by its diameter, a pin that turns a Geneva as what it is. */
export const wheelWords = (w: PlanWheel): string =>
  w.form === 'crank' ? 'pin' : w.teeth > 0 ? String(w.teeth) : `${millimetres(w.pitchMm)} mm`;

/** The arbors of a drive in words. Cures are sought when they are first asked for. */
export function arborsReport(drive: Drive): ArborsReport {
  const plan = arborPlan(drive);
  const names = trainsOf(drive).map((t) => t.name);
  const clashes = lazy(() => plan.clashes.map((c) => clashTrouble(drive, plan, names, c)));
  const differs = lazy(() => plan.disagreements.map((d) => differsTrouble(drive, plan, names, d)));
  const modules = [
    ...new Set(
      plan.wheels.filter((w) => w.form === 'wheel').map((w) => Number((w.pitchMm / w.teeth).toFixed(6))),
    ),
  ];
  return {
    plan,
    rows: plan.arbors.map((a) => rowOf(plan, a)),
    get clashes() {
      return clashes();
    },
    get differs() {
      return differs();
    },
    module: modules.length === 1 ? `module ${millimetres(modules[0]!)}, mm` : 'mm',
    message: sentences(plan),
  };
}

function rowOf(plan: ArborPlan, arbor: Arbor): ArborRow {
  return {
    id: arbor.id,
    name: arbor.name,
    how: arbor.miss > 0 ? `${millimetres(arbor.miss)} mm short` : howWords[arbor.how],
    wheels: arbor.wheels.map((id) => {
      const w = plan.wheels[id]!;
      return {
        id,
        teeth: wheelWords(w),
        layer: layerName(w.layer),
        trains: [...new Set(w.of.map((o) => o.train))],
      };
    }),
    bores: [...new Set(arbor.shafts.map((s) => (s.boreMm === null ? '?' : millimetres(s.boreMm))))].join(
      ', ',
    ),
    distances: distancesOf(plan, arbor),
    outputs: arbor.outputs,
  };
}

/** The distances to the arbors that stand before it in the list, each once; another that wants it otherwise beside it. */
function distancesOf(plan: ArborPlan, arbor: Arbor): ArborRow['distances'] {
  const out: { to: string; mm: string; differs: boolean }[] = [];
  for (const m of plan.meshes) {
    const [a, b] = [plan.wheels[m.driver]!.arbor, plan.wheels[m.driven]!.arbor];
    const other = a === arbor.id ? b : b === arbor.id ? a : -1;
    if (other < 0 || other >= arbor.id || m.distance.is === 'coaxial') continue;
    const mm = m.distance.is === 'free' ? 'any' : millimetres(m.distance.mm);
    const to = plan.arbors[other]!.name;
    if (out.some((o) => o.to === to && o.mm === mm)) continue;
    const differs = plan.disagreements.some(
      (d) => [d.a, d.b].includes(arbor.id) && [d.a, d.b].includes(other),
    );
    out.push({ to, mm, differs });
  }
  return out;
}

function sentences(plan: ArborPlan): readonly string[] {
  const out: string[] = [];
  if (plan.crossed.length > 0)
    out.push(
      `${counted(plan.crossed.length, 'worm wheel').replace(/^./, (c) => c.toUpperCase())} and what follows ${plan.crossed.length === 1 ? 'it' : 'them'} stand at right angles to the rest: they are drawn apart, to the right.`,
    );
  const guessed = plan.arbors.filter((a) => a.wheels.length > 0 && a.estimated).map((a) => a.name);
  if (guessed.length > 0)
    out.push(
      `No bore is given for ${guessed.length === 1 ? 'arbor' : 'arbors'} ${listed(guessed)}: 4 mm is taken, an estimate.`,
    );
  const short = plan.arbors.filter((a) => a.miss > 0);
  for (const a of short)
    out.push(
      `Arbor ${a.name} is not reached: its distances are ${millimetres(a.miss)} mm too short or too long.`,
    );
  return out;
}

const owner = (names: readonly string[], mesh: PlanMesh): string =>
  names.length > 1 ? `${names[mesh.train]!}’s ${colon(mesh.label)}` : colon(mesh.label);
const colon = (label: string): string => label.replace(/ : /g, ':');

function arborsTrouble(plan: ArborPlan, clash: ArborsClash): PlanTrouble {
  const [a, b] = clash.arbors.map((id) => plan.arbors[id]!) as [Arbor, Arbor];
  const apart = Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y);
  const thick = (arbor: Arbor): string =>
    `${arbor.name} is ${millimetres(arbor.diameterMm)} mm thick${arbor.estimated ? ' (estimate)' : ''}`;
  return {
    kind: 'clash',
    title: `Arbors ${a.name} and ${b.name} meet by ${measured(clash.mm)} mm`,
    message: `They stand ${millimetres(apart)} mm apart; ${thick(a)}, ${thick(b)}. No layer clears them: move one, make them thinner, or put both on one axis as tubes.`,
    arbors: clash.arbors,
    wheels: [],
    cures: [],
  };
}

function clashTrouble(drive: Drive, plan: ArborPlan, names: readonly string[], clash: Clash): PlanTrouble {
  if (clash.meets === 'both') return arborsTrouble(plan, clash);
  const wheel = plan.wheels[clash.wheel]!;
  const { train } = wheel.of[0]!;
  const whose = names.length > 1 ? `${names[train]!}’s ${wheel.teeth}` : `The ${wheel.teeth}`;
  const other = plan.wheels[clash.other];
  const what =
    clash.meets === 'arbor'
      ? `arbor ${plan.arbors[clash.other]!.name}`
      : `the ${other!.teeth} on arbor ${plan.arbors[other!.arbor]!.name}`;
  const cure = layerCure(drive, plan, clash);
  const pair = cure && plan.meshes.find((m) => m.train === cure.train && m.stage === cure.stage)!;
  const to = cure && layerName(cure.layer);
  const title = `${whose} meets ${what} by ${measured(clash.mm)} mm`;
  return {
    kind: 'clash',
    title,
    message:
      pair === null
        ? `In ${layerName(clash.layer)}. No layer on that side is clear: move an arbor, or change the wheels.`
        : `In ${layerName(clash.layer)}; with ${owner(names, pair)} in ${to!} they are clear.`,
    arbors: clash.meets === 'arbor' ? [wheel.arbor, clash.other] : [wheel.arbor, other!.arbor],
    wheels: clash.meets === 'arbor' ? [clash.wheel] : [clash.wheel, clash.other],
    cures:
      cure === null || pair === null
        ? []
        : [
            {
              title: `${owner(names, pair)} to ${to!}`,
              message: title,
              edit: {
                do: 'arbor',
                train: names[cure.train]!,
                stage: cure.stage,
                set: { layer: String(cure.layer) },
                label: `${colon(pair.label)} to ${to!}`,
              },
            },
          ],
  };
}

/** Cures that are shown: the cheapest of each way. */
const MOST_CURES = 4;

function differsTrouble(
  drive: Drive,
  plan: ArborPlan,
  names: readonly string[],
  d: Disagreement,
): PlanTrouble {
  const [a, b] = [plan.arbors[d.a]!.name, plan.arbors[d.b]!.name];
  const wants = d.meshes.map(
    ({ mesh, mm }) => `${owner(names, plan.meshes[mesh]!)} wants ${millimetres(mm)}`,
  );
  const pairs = d.meshes.length;
  const now = worstClash(plan.clashes);
  const cures = arborCures(drive, plan, d).slice(0, MOST_CURES);
  return {
    kind: 'differs',
    title:
      pairs > 1
        ? `${counted(pairs, 'pair').replace(/^./, (c) => c.toUpperCase())} between ${a} and ${b} differ by ${measured(d.mm)} mm`
        : `${a} and ${b} stand ${measured(d.mm)} mm off the distance of their pair`,
    message: `${listed(wants)}. ${pairs > 1 ? `The plan is drawn at ${millimetres(d.meshes[0]!.mm)}.` : 'Let one of them swing, or pin it elsewhere.'}`,
    arbors: [d.a, d.b],
    wheels: d.meshes.flatMap(({ mesh }) => [plan.meshes[mesh]!.driver, plan.meshes[mesh]!.driven]),
    cures: cures.map((c) => cureWords(plan, names, c, now)),
  };
}

function cureWords(plan: ArborPlan, names: readonly string[], cure: ArborCure, now: number): PlanCure {
  const mesh = plan.meshes.find((m) => m.train === cure.train && m.stage === cure.stage)!;
  const old = colon(mesh.label);
  const at = `All at ${millimetres(cure.mm)}`;
  const clash =
    cure.clash > now + 1e-9
      ? `the clash grows to ${measured(cure.clash)} mm`
      : cure.clash < now - 1e-9
        ? cure.clash === 0
          ? 'the clash is gone'
          : `the clash shrinks to ${measured(cure.clash)} mm`
        : '';
  const [title, cost] = ((): readonly [string, string] => {
    if (cure.way === 'shift')
      return [
        `Profile shift ${old}, Σx ${signed(measured(cure.shift!), cure.shift!).replace('-', '−')}`,
        `counts and ratio stay; teeth in contact ${cure.contact!.map((c) => c.toFixed(2)).join(' → ')}`,
      ];
    const pair = cure.teeth.join(':');
    return cure.way === 'teeth'
      ? [`${pair} for ${old}`, 'the ratio stays']
      : [`${pair} of module ${cure.moduleMm} for ${old}`, 'the ratio stays, another cutter'];
  })();
  return {
    title,
    message: [at, cost, clash].filter(Boolean).join('; '),
    edit: {
      do: 'arbor',
      train: names[cure.train]!,
      stage: cure.stage,
      set: cure.set,
      label: title.replace(/^./, (c) => c.toLowerCase()),
    },
  };
}
