import { beltDrive, drum, rack, screw } from './linear.ts';
import type { OutputData, OutputKind } from './output.ts';
import { rotary } from './rotary.ts';
import { tangentArm } from './tangent-arm.ts';

/** Every kind of output. One line a kind. */
export const outputs = { rotary, screw, beltDrive, rack, drum, tangentArm } as const;

export type OutputKindId = keyof typeof outputs;
type DataOf<K> = K extends OutputKind<infer D> ? D : never;

/** An output of any known kind, as the drive file holds it. */
export type Output = DataOf<(typeof outputs)[OutputKindId]>;

export const isOutputKind = (kind: string): kind is OutputKindId => Object.hasOwn(outputs, kind);

export const outputKindOf = (output: OutputData): OutputKind<OutputData> =>
  outputs[output.kind as OutputKindId] as unknown as OutputKind<OutputData>;
