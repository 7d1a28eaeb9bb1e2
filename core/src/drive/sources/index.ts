import { crank } from './crank.ts';
import { encoderMotor } from './encoder-motor.ts';
import { gearMotor } from './gear-motor.ts';
import type { SourceData, SourceKind } from './source.ts';
import { spring } from './spring.ts';
import { stepper } from './stepper.ts';
import { synchronous } from './synchronous.ts';

/** Every kind of source. One line a kind. */
export const sources = { stepper, encoderMotor, gearMotor, crank, spring, synchronous } as const;

export type SourceKindId = keyof typeof sources;
type DataOf<K> = K extends SourceKind<infer D> ? D : never;

/** A source of any known kind, as the drive file holds it. */
export type Source = DataOf<(typeof sources)[SourceKindId]>;

export const isSourceKind = (kind: string): kind is SourceKindId => Object.hasOwn(sources, kind);

export const sourceKindOf = (source: SourceData): SourceKind<SourceData> =>
  sources[source.kind as SourceKindId] as unknown as SourceKind<SourceData>;
