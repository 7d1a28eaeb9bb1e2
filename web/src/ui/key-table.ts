/** Where a key works. */
export type KeyPlace =
  | 'everywhere'
  | 'in a field'
  | 'on the Shelf'
  | 'in the Train'
  | 'on an arbor of the plan'
  | 'in a list'
  | 'in Run';

interface KeyEntry {
  readonly place: KeyPlace;
  /** as tinykeys writes them: "$mod+z", "g d"; any of them does it */
  readonly keys: readonly string[];
  readonly label: string;
}

const entry = (place: KeyPlace, keys: readonly string[], label: string): KeyEntry => ({ place, keys, label });

/** Every key of Pendrix: what binds them and the page that lists them both read this table. */
export const keyTable = {
  search: entry('everywhere', ['/', 'Shift+/'], 'search drives, counts and stations'),
  undo: entry('everywhere', ['$mod+z'], 'undo'),
  redo: entry('everywhere', ['$mod+Shift+z', '$mod+y'], 'redo'),
  keys: entry('everywhere', ['Shift+?', '?'], 'this list'),
  drives: entry('everywhere', ['g d'], 'the list of drives'),
  job: entry('everywhere', ['g j'], 'Job'),
  shelf: entry('everywhere', ['g s'], 'Shelf'),
  train: entry('everywhere', ['g t'], 'Train'),
  find: entry('everywhere', ['g f'], 'Find'),
  check: entry('everywhere', ['g c'], 'Check'),
  make: entry('everywhere', ['g m'], 'Make'),
  run: entry('everywhere', ['g r'], 'Run'),
  log: entry('everywhere', ['g l'], 'Log'),
  close: entry('everywhere', ['Escape'], 'close what is open'),
  putBack: entry('in a field', ['Escape'], 'put back what stood there'),
  down: entry('in a list', ['ArrowDown'], 'the line below'),
  up: entry('in a list', ['ArrowUp'], 'the line above'),
  right: entry('on the Shelf', ['ArrowRight'], 'the cell to the right'),
  left: entry('on the Shelf', ['ArrowLeft'], 'the cell to the left'),
  first: entry('on the Shelf', ['Home'], 'the first cell'),
  last: entry('on the Shelf', ['End'], 'the last cell'),
  write: entry('on the Shelf', ['Enter', 'F2'], 'write in the cell; Enter or Tab keeps it'),
  pick: entry('on the Shelf', ['Space'], 'choose the line, or let it go'),
  pickAll: entry('on the Shelf', ['$mod+a'], 'choose all lines'),
  takeOff: entry('on the Shelf', ['Delete'], 'delete the chosen lines'),
  pageDown: entry('on the Shelf', ['PageDown'], 'fifteen lines on'),
  pageUp: entry('on the Shelf', ['PageUp'], 'fifteen lines back'),
  moveLeft: entry('in the Train', ['Alt+ArrowLeft'], 'move the stage towards the motor'),
  moveRight: entry('in the Train', ['Alt+ArrowRight'], 'move the stage towards the work'),
  larger: entry('in the Train', ['+', '=', 'Shift++'], 'the drawing larger'),
  smaller: entry('in the Train', ['-'], 'the drawing smaller'),
  whole: entry('in the Train', ['w'], 'the whole train in the drawing'),
  plain: entry('in the Train', ['0'], 'the drawing over its columns again'),
  arborLeft: entry('on an arbor of the plan', ['ArrowLeft'], 'left by 0.1 mm, or round by 0.5°'),
  arborRight: entry('on an arbor of the plan', ['ArrowRight'], 'right, or round the other way'),
  arborUp: entry('on an arbor of the plan', ['ArrowUp'], 'up, or round'),
  arborDown: entry('on an arbor of the plan', ['ArrowDown'], 'down, or round the other way'),
  arborLeftFar: entry('on an arbor of the plan', ['Shift+ArrowLeft'], 'left by ten times as much'),
  arborRightFar: entry('on an arbor of the plan', ['Shift+ArrowRight'], 'right by ten times as much'),
  arborUpFar: entry('on an arbor of the plan', ['Shift+ArrowUp'], 'up by ten times as much'),
  arborDownFar: entry('on an arbor of the plan', ['Shift+ArrowDown'], 'down by ten times as much'),
  pinArbor: entry('on an arbor of the plan', ['p'], 'pin it, or let it go'),
  otherPlace: entry('on an arbor of the plan', ['o'], 'the other of its two places'),
  chooseArbor: entry('on an arbor of the plan', ['Enter', 'Space'], 'choose it'),
  next: entry('in Run', ['Space'], 'on to the next gap'),
  back: entry('in Run', ['Backspace'], 'back to the gap before'),
  clamp: entry('in Run', ['c'], 'it is clamped'),
  pause: entry('in Run', ['p'], 'pause and go on'),
} as const satisfies Record<string, KeyEntry>;

export type KeyId = keyof typeof keyTable;

const NAMES: Readonly<Record<string, string>> = {
  $mod: 'Ctrl',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  Escape: 'Esc',
  '-': '−',
};

/** One way to press it: keys held together, one chord after the other. */
export type Chords = readonly (readonly string[])[];

/** How a key is written in the list: its first way, and others that do not only repeat it for another keyboard. */
export function shownKeys(id: KeyId): readonly Chords[] {
  const ways = keyTable[id].keys.map((way) =>
    way.split(' ').map((chord) => {
      const keys = chord === '+' ? ['+'] : chord.split('+').map((k) => (k === '' ? '+' : k));
      return keys
        .filter((k, i) => !(k === '+' && keys[i - 1] === '+'))
        .map((k) => NAMES[k] ?? (k.length === 1 ? k.toUpperCase() : k));
    }),
  );
  const bare = (way: Chords): string => way.map((c) => c.filter((k) => k !== 'Shift').at(-1)).join(' ');
  return ways.filter(
    (way, i) =>
      !ways.slice(0, i).some((w) => bare(w) === bare(way) || (bare(w) === '+' && bare(way) === '=')),
  );
}
