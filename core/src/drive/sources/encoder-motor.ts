import { rational } from '../../numbers/index.ts';
import { choice } from '../stages/pair.ts';
import type { SourceData, SourceKind } from './source.ts';
import { knownByInputs } from '../stages/judged.ts';
import { motor } from './motor.ts';
import { gangedFacts, gangedInput, speedInput, speedOf, topSpeedInput } from './speed.ts';

export interface EncoderMotor extends SourceData {
  readonly kind: 'encoderMotor';
  readonly lines: number;
  readonly decode: 1 | 2 | 4;
  readonly maxRpm?: string;
  readonly rpm?: string;
  readonly count?: number;
  /** free running and stalled, at the rated voltage; and what it is fed with */
  readonly stallNm?: number;
  readonly ratedV?: number;
  readonly supplyV?: number;
  /** it stops so many counts from where it should, ± */
  readonly windowCounts?: number;
  readonly measured?: string;
  readonly dataSheet?: string;
}

/** ± counts that a motor stops within while nobody has said. (estimate; handbook: run) */
export const STOP_WINDOW = 4;

const counts = (s: EncoderMotor): number => s.lines * s.decode;

/** DC motor that is positioned by its encoder: lines · decode counts a turn stand for steps. (handbook: drive, sources) */
export const encoderMotor: SourceKind<EncoderMotor> = {
  kind: 'encoderMotor',
  title: 'Motor with encoder',
  short: 'motor',
  message: 'a DC motor that goes to a count',
  suits: {
    brings: 'Strong for its price, and it tells where it stands.',
    asks: 'a controller that counts both edges',
  },
  inputs: [
    { type: 'count', key: 'lines', label: 'Lines', unit: 'a turn', min: 1, max: 1_000_000, default: 600 },
    {
      ...choice('decode', 'Decoded', [
        ['4', '4 times'],
        ['2', 'twice'],
        ['1', 'once'],
      ]),
      number: true,
    },
    speedInput('1000'),
    topSpeedInput('the fastest it turns with no load'),
    gangedInput,
    motor('stallNm', 'Stall torque', 'N·m', 1e5, 'by a stall test of a second, or the data sheet'),
    motor('ratedV', 'Rated voltage', 'V', 1000),
    motor('supplyV', 'Supply', 'V', 1000),
    motor(
      'windowCounts',
      'Stop window',
      'counts',
      1e6,
      '± counts from where it should stop; 4 unless given, an estimate',
    ),
    ...knownByInputs,
  ],
  step: 'count',
  stops: 'count',
  fullSteps: counts,
  modes: () => [1],
  mode: () => 1,
  hasModes: false,
  speed: (s) => speedOf(s.rpm, 1000),
  parts: (s) => [
    { label: 'Encoder lines', factor: rational(s.lines) },
    ...(s.decode > 1 ? [{ label: 'Decoding', factor: rational(s.decode) }] : []),
  ],
  facts: (s) => [
    `${s.lines} lines × ${s.decode} = ${counts(s)} counts a turn.`,
    'Decoded once, an encoder that shakes on an edge miscounts; decoded four times it comes back to the same count.',
    ...gangedFacts(s.count),
  ],
  typical: [{ kind: 'encoderMotor', lines: 12, decode: 4 }],
  glyph: 'encoderMotor',
};
