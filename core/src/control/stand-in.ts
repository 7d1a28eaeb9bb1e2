import { seeded } from '../simulate/index.ts';
import { machineOf, type Machine, type Plant } from './machine.ts';
import type { Status } from './protocol.ts';

/** What a stand-in is like. (handbook: run, controllers) */
export interface StandIn {
  readonly seed: number;
  readonly motor: 'stepper' | 'dc';
  /** edges of the encoder that count: 1 on A's rise, or all 4 */
  readonly decode: 1 | 4;
  /** play of the gears, counts; taken up by a preload */
  readonly play: number;
  readonly preload: boolean;
  /** cutting shakes the encoder while the work stands */
  readonly shaking: boolean;
  /** part of its steps that a stepper loses above its torque, 0 to 1 */
  readonly loses: number;
  /** counts a second at the most */
  readonly speed: number;
  /** counts that a DC motor coasts on when it is stopped at speed, and the window it stops in */
  readonly coast: number;
  readonly window: number;
  /** a window is given up after so many tries */
  readonly tries: number;
}

export const STAND_IN: StandIn = {
  seed: 7,
  motor: 'dc',
  decode: 4,
  play: 0,
  preload: false,
  shaking: false,
  loses: 0,
  speed: 20_000,
  coast: 24,
  window: 3,
  tries: 40,
};

/** Flickers of an edge in a second of cutting. */
const FLICKERS = 170;

/** A plant that can be looked into: where the work truly stands, counts from where zero was set. */
export interface StandInPlant extends Plant {
  readonly work: () => number;
}

/** A motor with its encoder and gears, made up by a seed: one seed, one behaviour. */
export function standInPlant(of: StandIn): StandInPlant {
  const random = seeded(of.seed);
  /** where the motor's shaft stands, counts, whole ones between edges; and the work behind the gears' play */
  let shaft = 0;
  let work = 0;
  /** what the counter says against where it stands: flickers that walked off, steps that were lost */
  let counted = 0;
  let frozenAt: number | null = null;
  let origin = 0;
  let target: number | null = null;
  let velocity = 0;
  let held = false;
  let fault: string | null = null;
  let tries = 0;
  let offEdge = false;
  let pause = 0;
  const edges = { a: 0, b: 0 };

  const raw = (): number => Math.round(shaft) + counted - origin;
  const counts = (): number => frozenAt ?? raw();

  function step(distance: number): void {
    shaft += distance;
    // the work follows when the gears have taken their play up
    const slack = of.preload ? 0 : of.play;
    work = Math.min(Math.max(work, shaft - slack), shaft);
    const e = Math.abs(Math.round(distance));
    edges.a += Math.ceil(e / 2);
    edges.b += Math.floor(e / 2);
  }

  /** Towards the target, the last of it slowly; a stepper lands, and may lose steps at speed. */
  function stepperTick(seconds: number): void {
    if (target === null) return;
    const left = target - counts();
    const most = Math.max(1, of.speed * seconds);
    const go = Math.sign(left) * Math.min(Math.abs(left), Math.floor(most) || 1);
    // its driver counts what it sent; the shaft has not always made it
    const lost =
      of.loses > 0 && Math.abs(go) >= 0.9 * most && random() < of.loses ? Math.ceil(Math.abs(go) / 50) : 0;
    step(go - Math.sign(go) * lost);
    counted += Math.sign(go) * lost;
    if (counts() === target) target = null;
  }

  /** Forward, stop, back, stop, into the window; stopped it coasts on. */
  function dcTick(seconds: number): void {
    if (pause > 0) {
      pause -= seconds;
      return;
    }
    if (target === null) return;
    const left = target - counts();
    if (velocity === 0) {
      if (Math.abs(left) <= of.window) {
        target = null;
        tries = 0;
        return;
      }
      if (++tries > of.tries) {
        fault = `window not reached: ±${of.window} counts, ${Math.abs(left)} off`;
        target = null;
        tries = 0;
        return;
      }
      // near it creeps, so that it coasts little
      const near = Math.abs(left) < 12 * of.coast;
      velocity = Math.sign(left) * (near ? Math.max(40, of.speed / 40) : of.speed);
    }
    const go = velocity * seconds;
    const slow = Math.abs(velocity) < of.speed;
    const coast = (slow ? of.coast / 12 : of.coast) * (0.7 + 0.6 * random());
    const lead = slow ? coast : 8 * of.coast;
    if (Math.abs(left) <= Math.abs(go) + lead) {
      // switched off: what is left of the way, and what it coasts
      const way = slow
        ? Math.max(0, Math.abs(left) - coast) + coast * (0.5 + random())
        : Math.max(0, Math.abs(left) - lead) + coast;
      step(Math.round(Math.sign(velocity) * way));
      velocity = 0;
      pause = 0.02;
    } else step(Math.round(go));
  }

  /** One channel flickers at an edge: counted once it walks off, counted four times it stays within one. */
  function shake(seconds: number): void {
    if (!of.shaking || target !== null || velocity !== 0) return;
    const many = FLICKERS * seconds;
    const n = Math.floor(many) + (random() < many % 1 ? 1 : 0);
    edges.a += n;
    if (of.decode === 1) counted += n;
    else if (n % 2 === 1) {
      // off by one at an edge, and back
      counted += offEdge ? -1 : 1;
      offEdge = !offEdge;
    }
  }

  return {
    moveTo: (to) => {
      target = to;
      tries = 0;
    },
    stop: () => {
      target = null;
      velocity = 0;
    },
    zero: () => {
      origin += counts();
      if (frozenAt !== null) frozenAt = 0;
      fault = null;
    },
    hold: (on) => {
      held = on;
      if (!on) {
        target = null;
        velocity = 0;
      }
      fault = null;
    },
    freeze: (on) => {
      if (on && frozenAt === null) frozenAt = raw();
      else if (!on && frozenAt !== null) {
        // what was counted while it was held is not believed
        counted += frozenAt - raw();
        frozenAt = null;
      }
    },
    tick: (ms) => {
      const seconds = ms / 1000;
      if (of.motor === 'stepper') stepperTick(seconds);
      else dcTick(seconds);
      shake(seconds);
    },
    status: (): Status => ({
      counts: counts(),
      raw: raw(),
      moving: target !== null || velocity !== 0 || pause > 0,
      held,
      frozen: frozenAt !== null,
      fault,
      edges: { ...edges },
    }),
    told: () => {
      edges.a = 0;
      edges.b = 0;
    },
    work: () => work - origin,
  };
}

/** A stand-in that speaks the lines. `boot` is another after each start. */
export const standIn = (of: StandIn, boot: string): Machine =>
  machineOf(standInPlant(of), {
    name: `stand-in, ${of.motor === 'dc' ? 'DC motor with encoder' : 'stepper'}`,
    boot,
    protocol: 1,
  });

/** What a stand-in is told to be, as words of an address: "motor=dc&decode=1&shaking=1"; what cannot be read is as usual. */
export function readStandIn(words: ReadonlyMap<string, string>): StandIn {
  const number = (key: string, usual: number, [min, max]: readonly [number, number]): number => {
    const n = Number(words.get(key) ?? Number.NaN);
    return Number.isFinite(n) && n >= min && n <= max ? n : usual;
  };
  const flag = (key: string): boolean => ['1', 'true', 'yes'].includes(words.get(key) ?? '');
  return {
    seed: number('seed', STAND_IN.seed, [0, 2 ** 31]),
    motor: words.get('motor') === 'stepper' ? 'stepper' : 'dc',
    decode: words.get('decode') === '1' ? 1 : 4,
    play: number('play', STAND_IN.play, [0, 1e6]),
    preload: flag('preload'),
    shaking: flag('shaking'),
    loses: number('loses', STAND_IN.loses, [0, 1]),
    speed: number('speed', STAND_IN.speed, [1, 1e7]),
    coast: number('coast', STAND_IN.coast, [0, 1e5]),
    window: number('window', STAND_IN.window, [0, 1e5]),
    tries: number('tries', STAND_IN.tries, [1, 1000]),
  };
}
