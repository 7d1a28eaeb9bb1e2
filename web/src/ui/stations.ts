import {
  mdiBookshelf,
  mdiClipboardTextOutline,
  mdiCogs,
  mdiFeatureSearchOutline,
  mdiHammerWrench,
  mdiNotebookOutline,
  mdiRotateRight,
  mdiRulerSquareCompass,
} from '@mdi/js';
import type { Concern } from '@pendrix/core';

interface StationInfo {
  readonly title: string;
  readonly icon: string;
  /** the question it answers */
  readonly asks: string;
  /** what of a drive it shows */
  readonly concern: Concern;
}

/** The stations in the order the work is done. To add one: a line here, its page in `router.ts`, a folder in stations/. */
export const stations = {
  job: {
    title: 'Job',
    icon: mdiClipboardTextOutline,
    asks: 'What must it do, and how well?',
    concern: 'asked',
  },
  shelf: {
    title: 'Shelf',
    icon: mdiBookshelf,
    asks: 'What do I own or could buy?',
    concern: 'owned',
  },
  train: {
    title: 'Train',
    icon: mdiCogs,
    asks: 'What turns what, and does it come out even?',
    concern: 'built',
  },
  find: {
    title: 'Find',
    icon: mdiFeatureSearchOutline,
    asks: 'Which trains would come out even?',
    concern: 'searched',
  },
  check: {
    title: 'Check',
    icon: mdiRulerSquareCompass,
    asks: 'Divisions, rates, frames: how good is it?',
    concern: 'judged',
  },
  make: {
    title: 'Make',
    icon: mdiHammerWrench,
    asks: 'What do I cut, drill, mesh and adjust?',
    concern: 'made',
  },
  run: {
    title: 'Run',
    icon: mdiRotateRight,
    asks: 'Stand at the machine: where to go for each tooth.',
    concern: 'worked',
  },
  log: {
    title: 'Log',
    icon: mdiNotebookOutline,
    asks: 'What did I measure, change and learn?',
    concern: 'kept',
  },
} as const satisfies Readonly<Record<string, StationInfo>>;

export type Place = keyof typeof stations;

export const places = Object.keys(stations) as readonly Place[];

/** The shelf is one for all drives; every other station is of one. */
export const isShared = (place: Place): boolean => place === 'shelf';

/** The station that shows a concern. */
export const placeOf = (concern: Concern): Place => places.find((p) => stations[p].concern === concern)!;
