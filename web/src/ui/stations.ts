import {
  mdiBookshelf,
  mdiClipboardTextOutline,
  mdiCogs,
  mdiFeatureSearchOutline,
  mdiRotateRight,
  mdiRulerSquareCompass,
} from '@mdi/js';
import type { Place } from '@pendrix/core';

interface StationInfo {
  readonly title: string;
  readonly icon: string;
  /** the question it answers */
  readonly asks: string;
}

/** The stations in the order the work is done. */
export const stations = {
  job: { title: 'Job', icon: mdiClipboardTextOutline, asks: 'What must it do, and how well?' },
  shelf: {
    title: 'Shelf',
    icon: mdiBookshelf,
    asks: 'What do I own or could buy?',
  },
  train: { title: 'Train', icon: mdiCogs, asks: 'What turns what, and does it come out even?' },
  find: {
    title: 'Find',
    icon: mdiFeatureSearchOutline,
    asks: 'Which trains would come out even?',
  },
  check: {
    title: 'Check',
    icon: mdiRulerSquareCompass,
    asks: 'Divisions, rates, frames: how good is it?',
  },
  run: {
    title: 'Run',
    icon: mdiRotateRight,
    asks: 'Stand at the machine: where to go for each tooth.',
  },
} as const satisfies Record<Place, StationInfo>;

export const places = Object.keys(stations) as readonly Place[];

/** The shelf is one for all drives; every other station is of one. */
export const isShared = (place: Place): boolean => place === 'shelf';
