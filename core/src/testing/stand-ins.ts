import {
  standIn,
  standInPlant,
  STAND_IN,
  type DialectAsked,
  type DialectId,
  type Machine,
  type StandIn,
} from '../control/index.ts';
import { seeded } from '../simulate/index.ts';

/** Counts of one unit of the axis, for dialects that have units. */
export const AXIS: DialectAsked = { letter: 'A', countsPerUnit: 100 };

/** How a machine of the tests misbehaves. */
export interface Manners {
  readonly seed: number;
  /** answers come so late, ms, at the most */
  readonly late?: number;
  /** a place is printed with so many decimals */
  readonly decimals?: number;
  /** a move is answered when it is done, not when it is planned */
  readonly blocks?: boolean;
  /** it says that it is busy while it moves */
  readonly busy?: boolean;
  /** remarks between its lines */
  readonly remarks?: boolean;
  /** it greets so long after it was connected, ms */
  readonly greets?: number;
}

/** A machine, and what befalls it. */
export interface Kept {
  readonly machine: Machine;
  /** switched off and on in the middle */
  readonly restart: () => void;
  /** where its shaft really stands, counts */
  readonly stands: () => number;
  readonly moves: () => boolean;
  /** from now on answers come so late, ms, at the most */
  readonly delay: (late: number) => void;
}

const plantOf = (of: Partial<StandIn>): StandIn => ({ ...STAND_IN, motor: 'stepper', ...of });

/** Answers that come when they come, in their order. */
function lately(
  random: () => number,
  late: number,
): {
  say: (lines: readonly string[]) => void;
  delay: (late: number) => void;
  due: (ms: number) => readonly string[];
} {
  let now = 0;
  let last = 0;
  const waiting: { at: number; line: string }[] = [];
  return {
    delay: (ms: number) => void (late = ms),
    say: (lines) => {
      last = Math.max(last, now + late * random());
      for (const line of lines) waiting.push({ at: last, line });
    },
    due: (ms) => {
      now += ms;
      const out: string[] = [];
      while (waiting.length > 0 && waiting[0]!.at <= now) out.push(waiting.shift()!.line);
      return out;
    },
  };
}

function gcodeMachine(of: Partial<StandIn>, manners: Manners): Kept {
  const random = seeded(manners.seed);
  const { decimals = 3, late = 0, blocks = false, busy = false, remarks = false, greets } = manners;
  const answers = lately(random, late);
  let plant = standInPlant(plantOf({ ...of, seed: manners.seed }));
  plant.hold(true);
  /** what was run before it began anew */
  let shifted = 0;
  let [since, clock] = [0, 0];
  let greeted = greets === undefined;
  /** what waits for the end of a move: lines that come meanwhile wait, too */
  const queue: string[] = [];
  const moving = (): boolean => plant.status().moving;
  const place = (): string => (plant.status().counts / AXIS.countsPerUnit).toFixed(decimals);

  function act(line: string): boolean {
    const go = /^G0 A(-?[\d.]+)$/.exec(line);
    if (go) plant.moveTo(Math.round(Number(go[1]) * AXIS.countsPerUnit));
    if (line === 'G92 A0') plant.zero();
    if (line === 'M17' || line === 'M18') plant.hold(line === 'M17');
    // answered when what it waits for is done
    if ((go && blocks) || line === 'M400') return false;
    answers.say([
      ...(remarks ? ['; a remark', '(and another) A:9'] : []),
      ...(line === 'M114' ? [`X:0.00 A:${place()} Count A:0`] : []),
      'ok',
    ]);
    return true;
  }
  function work(): void {
    while (queue.length > 0) {
      const line = queue[0]!;
      if (line.startsWith('~')) {
        if (moving()) return;
        queue.shift();
        answers.say(['ok']);
      } else {
        // what is planned is answered at once; what asks where it stands waits for nothing
        queue.shift();
        if (!act(line)) queue.unshift('~');
      }
    }
  }
  const machine: Machine = {
    status: () => plant.status(),
    receive: (line) => {
      if (!greeted) return [];
      if (line === 'M410') {
        plant.stop();
        answers.say(['ok']);
      } else queue.push(line);
      work();
      return answers.due(0);
    },
    tick: (ms) => {
      clock += ms;
      if (!greeted && clock >= greets!) {
        greeted = true;
        answers.say(['start']);
      }
      plant.tick(ms);
      since += ms;
      if (busy && moving() && since > 900) {
        since = 0;
        answers.say(['echo:busy: processing']);
      }
      work();
      return answers.due(ms);
    },
  };
  return {
    machine,
    restart: () => {
      const at = plant.work();
      plant = standInPlant(plantOf({ ...of, seed: manners.seed + 1 }));
      plant.hold(true);
      shifted += at;
      queue.length = 0;
      answers.say(['start']);
    },
    stands: () => shifted + plant.work(),
    moves: moving,
    delay: answers.delay,
  };
}
function linesMachine(of: Partial<StandIn>, manners: Manners): Kept {
  const random = seeded(manners.seed);
  const answers = lately(random, manners.late ?? 0);
  let boots = 1;
  let plant = standIn(plantOf({ ...of, seed: manners.seed }), `b${boots}`);
  let clock = 0;
  const machine: Machine = {
    status: () => plant.status(),
    receive: (line) => {
      if (clock < (manners.greets ?? 0)) return [];
      answers.say([
        ...(manners.remarks ? ['; a remark', '{"event":"weather"}'] : []),
        ...plant.receive(line),
      ]);
      return answers.due(0);
    },
    tick: (ms) => {
      clock += ms;
      answers.say(plant.tick(ms));
      return answers.due(ms);
    },
  };
  return {
    machine,
    restart: () => {
      plant = standIn(plantOf({ ...of, seed: manners.seed + 1 }), `b${++boots}`);
    },
    stands: () => plant.status().raw,
    moves: () => plant.status().moving,
    delay: answers.delay,
  };
}

/** A machine of each dialect. To add one: its line. */
export const standIns: Readonly<Record<DialectId, (of: Partial<StandIn>, manners: Manners) => Kept>> = {
  lines: linesMachine,
  gcode: gcodeMachine,
};
