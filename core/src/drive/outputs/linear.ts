import { add, exactly, mul, piValue, rational, toNumber } from '../../numbers/index.ts';
import type { InputOf } from '../inputs.ts';
import {
  leadError,
  leadErrorInput,
  outputPlay,
  runningOut,
  runoutInput,
  type OutputData,
  type OutputKind,
} from './output.ts';

export interface Screw extends OutputData {
  readonly kind: 'screw';
  readonly leadMm: string;
}
export interface BeltDrive extends OutputData {
  readonly kind: 'beltDrive';
  readonly teeth: number;
  readonly pitchMm: string;
}
export interface Rack extends OutputData {
  readonly kind: 'rack';
  readonly teeth: number;
  readonly moduleMm: string;
}
export interface Drum extends OutputData {
  readonly kind: 'drum';
  readonly diameterMm: string;
  readonly cordMm: string;
}

const mm = (key: string, label: string, standard: string, hint: string): InputOf<'exact'> => ({
  type: 'exact',
  key,
  label,
  unit: 'mm',
  default: standard,
  hint,
});
const teeth: InputOf<'count'> = {
  type: 'count',
  key: 'teeth',
  label: 'Pulley',
  unit: 'teeth',
  min: 4,
  max: 10_000,
  default: 20,
};

const nut = outputPlay('Nut backlash', 'end to end along the screw, as a dial gauge shows it');

/** Lead = pitch × starts a turn. (handbook: drive, output kinds) */
export const screw: OutputKind<Screw> = {
  kind: 'screw',
  title: 'Screw',
  message: 'a carriage on a lead screw',
  suits: {
    brings: 'A screw moves it: much force, fine steps.',
    asks: 'a screw set straight',
  },
  typical: [{ kind: 'screw', leadMm: '2' }],
  inputs: [mm('leadMm', 'Lead', '2', 'travel for one turn: pitch times starts'), nut, leadErrorInput],
  wobbles: (o) => leadError(toNumber(exactly(o.leadMm))),
  play: 'unknown',
  travel: (o) => piValue(exactly(o.leadMm)),
  facts: () => [],
  glyph: 'screw',
};

/** z × pitch a turn. */
export const beltDrive: OutputKind<BeltDrive> = {
  kind: 'beltDrive',
  title: 'Belt carriage',
  message: 'a carriage on a timing belt',
  suits: {
    brings: 'A belt moves it: quick, and as long as you like.',
    asks: 'a belt kept taut',
  },
  typical: [{ kind: 'beltDrive', teeth: 20, pitchMm: '2' }],
  inputs: [teeth, mm('pitchMm', 'Pitch', '2', 'from tooth to tooth along the belt'), runoutInput],
  wobbles: (o) => runningOut('pulley', (o.teeth * toNumber(exactly(o.pitchMm))) / Math.PI),
  play: 'none',
  travel: (o) => piValue(mul(rational(o.teeth), exactly(o.pitchMm))),
  facts: () => ['A timing belt has no play but stretches: keep it short and taut.'],
  glyph: 'belt',
};

/** π · module · z a turn. */
export const rack: OutputKind<Rack> = {
  kind: 'rack',
  title: 'Rack',
  message: 'a pinion along a rack',
  suits: {
    brings: 'A pinion runs along a rack: as long as racks go.',
    asks: 'a rack set straight',
  },
  typical: [{ kind: 'rack', teeth: 20, moduleMm: '1' }],
  inputs: [
    { ...teeth, label: 'Pinion' },
    mm('moduleMm', 'Module', '1', 'pitch diameter over teeth'),
    outputPlay('Mesh backlash', 'end to end along the rack'),
    runoutInput,
  ],
  wobbles: (o) => runningOut('pinion', o.teeth * toNumber(exactly(o.moduleMm))),
  play: 'unknown',
  travel: (o) => piValue(mul(exactly(o.moduleMm), rational(o.teeth)), 1),
  facts: () => ['Its travel has π in it: no whole millimetre comes out even, whole teeth of the rack may.'],
  glyph: 'rack',
};

/** π · (d + cord) a turn, the cord at its middle. */
export const drum: OutputKind<Drum> = {
  kind: 'drum',
  title: 'Cord drum',
  message: 'a cord wound on a drum',
  suits: {
    brings: 'A cord pulls it: nothing cheaper, and it slips last.',
    asks: 'a cord that is measured',
  },
  typical: [{ kind: 'drum', diameterMm: '30', cordMm: '1' }],
  inputs: [
    mm('diameterMm', 'Drum', '30', 'of the drum itself'),
    mm('cordMm', 'Cord', '1', 'thickness of the cord; it winds at its middle'),
    runoutInput,
  ],
  wobbles: (o) => runningOut('drum', toNumber(exactly(o.diameterMm)) + toNumber(exactly(o.cordMm))),
  play: 'none',
  travel: (o) => piValue(add(exactly(o.diameterMm), exactly(o.cordMm)), 1),
  facts: () => ['One layer only: a second one winds at a larger diameter. Its travel has π in it.'],
  glyph: 'drum',
};
