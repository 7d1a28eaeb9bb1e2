import { div, exactly, mul, toNumber, type Rational } from '../../numbers/index.ts';
import { durationText } from '../duration.ts';
import type { SourceData, SourceKind } from './source.ts';

export interface Spring extends SourceData {
  readonly kind: 'spring';
  readonly storedTurns: string;
  readonly arborPerBarrelTurn: string;
  readonly rpm: string;
  /** the shaft whose speed the governor holds, along the spring's own train or the one named; 0 unless said */
  readonly governorShaft?: number;
  /** the train that the governor sits in, by name; the spring's own unless said */
  readonly governorTrain?: string;
}

/** Turns of shaft 0 on one winding, exact. */
export const windingTurns = (s: Spring): Rational =>
  mul(exactly(s.storedTurns), exactly(s.arborPerBarrelTurn));

/** Turns stored × arbor turns a barrel turn ÷ speed of that arbor, in seconds. (handbook: drive, sources) */
export const runningSeconds = (s: Spring, rpm: Rational): Rational =>
  mul(div(windingTurns(s), rpm), exactly('60'));

/** Spring barrel: no steps, a governed speed, and a time that it runs. */
export const spring: SourceKind<Spring> = {
  kind: 'spring',
  title: 'Spring barrel',
  short: 'barrel',
  message: 'runs by itself for a while at a governed speed; has no steps',
  inputs: [
    {
      type: 'exact',
      key: 'storedTurns',
      label: 'Stores',
      unit: 'turns',
      default: '6',
      hint: 'turns of the barrel from wound to let down',
    },
    {
      type: 'exact',
      key: 'arborPerBarrelTurn',
      label: 'Arbor',
      unit: 'per turn',
      default: '60',
      hint: 'turns of the governed arbor (shaft 0) for one turn of the barrel',
    },
    {
      type: 'exact',
      key: 'rpm',
      label: 'Governed',
      unit: 'rpm',
      default: '2',
      hint: 'speed of the shaft that the governor sits on',
    },
    {
      type: 'count',
      key: 'governorShaft',
      label: 'Governor on shaft',
      min: 0,
      max: 40,
      default: 0,
      optional: true,
      more: true,
      hint: '0 is the arbor of the barrel; a fly or an escapement sits further on',
    },
    {
      type: 'text',
      key: 'governorTrain',
      label: 'Governor in train',
      max: 60,
      default: '',
      optional: true,
      more: true,
      hint: 'by its name, when the governor does not sit in the spring’s own train',
    },
  ],
  step: 'step',
  stops: null,
  fullSteps: () => null,
  modes: () => [1],
  mode: () => 1,
  hasModes: false,
  speed: (s) => ({ rpm: exactly(s.rpm), estimate: false }),
  parts: () => [],
  facts: (s) =>
    s.governorShaft || s.governorTrain
      ? [
          `The governor holds shaft ${s.governorShaft ?? 0}${s.governorTrain ? ` of ${s.governorTrain}` : ''} at ${s.rpm} rpm; Check tells how long one winding lasts.`,
        ]
      : [
          `Runs ${durationText(toNumber(runningSeconds(s, exactly(s.rpm))))} on one winding: ${s.storedTurns} × ${s.arborPerBarrelTurn} turns at ${s.rpm} rpm.`,
        ],
  glyph: 'spring',
  caution: {
    id: 'spring',
    message:
      'A wound spring can break fingers: let it down before the barrel is opened, keep hold of the spring, wear eye protection. Local rules and a qualified person come first.',
  },
};
