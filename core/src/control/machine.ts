import { readLine, type Command, type Hello, type Status } from './protocol.ts';

/** What moves: a motor with its axis, stand-in or real. Counts are those of its encoder or its steps. */
export interface Plant {
  /** sets off; what it reaches is told by `status` */
  readonly moveTo: (counts: number) => void;
  readonly stop: () => void;
  /** the place where it stands becomes 0 */
  readonly zero: () => void;
  readonly hold: (on: boolean) => void;
  readonly freeze: (on: boolean) => void;
  readonly status: () => Status;
  /** a status line went out: its edges are told */
  readonly told: () => void;
  /** so many milliseconds pass */
  readonly tick: (ms: number) => void;
}

/** A controller as its client sees it: lines in, lines out. */
export interface Machine {
  readonly receive: (line: string) => readonly string[];
  /** time passes; the status lines that fall due */
  readonly tick: (ms: number) => readonly string[];
  readonly status: () => Status;
}

/** A status line comes at least as often as this, ms, while it moves; else once a second. */
const WHILE_MOVING = 50;
const AT_REST = 1000;
/** Answers that are remembered, so that a line that is sent again is done once. */
const REMEMBERED = 64;

/** The line protocol over a plant: the same for every stand-in. */
export function machineOf(plant: Plant, hello: Hello): Machine {
  const answers = new Map<number, string>();
  let since = 0;
  let wasMoving = false;
  const statusLine = (): string => {
    const line = JSON.stringify({ event: 'status', ...plant.status() });
    plant.told();
    return line;
  };

  function act(command: Command): void {
    switch (command.cmd) {
      case 'moveTo':
        return plant.moveTo(command.counts);
      case 'jog':
        return plant.moveTo(plant.status().counts + command.counts);
      case 'zero':
        return plant.zero();
      case 'hold':
        return plant.hold(command.on);
      case 'freeze':
        return plant.freeze(command.on);
      case 'stop':
        return plant.stop();
      default:
    }
  }
  /** why a command is not done as things stand; null when it is */
  function hindered(command: Command): string | null {
    const { frozen, held, fault, moving } = plant.status();
    const moves = command.cmd === 'moveTo' || command.cmd === 'jog';
    if (moves && fault) return `fault: ${fault}`;
    if (moves && frozen) return 'frozen: the work is clamped';
    if (moves && !held) return 'not held: switch the motor on first';
    if (command.cmd === 'zero' && moving) return 'moving: stop first';
    return null;
  }

  return {
    status: plant.status,
    receive: (line) => {
      if (line.trim() === '') return [];
      const read = readLine(line);
      if (!read.ok)
        return [JSON.stringify({ ...(read.id !== null && { id: read.id }), ok: false, error: read.error })];
      const { id, command } = read.request;
      // a client that says hello begins to count its lines anew
      if (command.cmd === 'hello') answers.clear();
      const before = answers.get(id);
      if (before !== undefined) return [before, ...(command.cmd === 'status' ? [statusLine()] : [])];
      const why = hindered(command);
      if (!why) act(command);
      // that it stands is told, even where there was no way to go
      if (!why && (command.cmd === 'moveTo' || command.cmd === 'jog')) wasMoving = true;
      const answer = JSON.stringify({
        id,
        ok: why === null,
        ...(why !== null && { error: why }),
        ...(command.cmd === 'hello' && hello),
      });
      answers.set(id, answer);
      if (answers.size > REMEMBERED) answers.delete(answers.keys().next().value!);
      return [answer, ...(command.cmd === 'status' || command.cmd === 'zero' ? [statusLine()] : [])];
    },
    tick: (ms) => {
      plant.tick(ms);
      since += ms;
      const { moving } = plant.status();
      const stopped = wasMoving && !moving;
      wasMoving = moving;
      if (!stopped && since < (moving ? WHILE_MOVING : AT_REST)) return [];
      since = 0;
      return [statusLine()];
    },
  };
}
