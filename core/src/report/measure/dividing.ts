import { abs, toNumber } from '../../numbers/index.ts';
import type { Drive } from '../../drive/index.ts';
import { ARCSEC_PER_RADIAN, turningParts } from '../../errors/index.ts';
import type { DividedBy, DivisionFit, ShapeFound } from '../../measure/index.ts';
import { contextOf } from '../context.ts';
import { angleText, measured } from '../../words/index.ts';

/** What is known of a drive that divided a wheel, for reading its record. */
export function dividedBy(drive: Drive): DividedBy {
  const { k, divider } = contextOf(drive);
  return {
    stepsPerTurn: divider ? toNumber(divider.stepsPerTurn) : null,
    coarser: [...new Set(k.modes.map((m) => m / k.mode))].filter((p) => p <= 1).sort((a, b) => b - a),
    shafts: turningParts(drive, k)
      .map((p) => ({ name: p.id, turns: toNumber(abs(p.turns)) }))
      .filter((s) => s.turns > 1),
  };
}

/** A shape in words: what it is, and what to try. */
export interface ShapeReport {
  readonly title: string;
  readonly message: string;
  readonly explains: string;
}

const TRY: Readonly<Record<ShapeFound['shape'], string>> = {
  repeated: 'The step was repeated instead of reckoned: go to absolute targets, as the run sheet has them.',
  sawtooth: 'It is the rounding of its steps: a finer mode, or a train that comes out even.',
  offCentre: 'The blank sits off the middle of its arbor: true it with a gauge.',
  twice: 'Twice a turn: an oval blank, or a clamp that pulls it from two sides.',
  shaft: 'A wheel on that shaft runs out: a truer one, or whole turns of it a gap.',
  jump: 'Counts were lost or gained there: a stall, vibration, a slipped set screw.',
  oneGap: 'One place alone: a burr, a chip under the gauge, or a clamp that moved the work.',
  lostMotion: 'It differs by the way it is come to: approach from one side, or a preload.',
  none: 'Nothing stands out of the scatter.',
};

/** What a shape is called, with its size; at a radius, mm, also what it is there. */
export function shapeReport(shape: ShapeFound, radiusMm: number | null): ShapeReport {
  const size = angleText(Math.abs(shape.arcsec));
  const at = shape.at === null ? '' : ` at tooth ${shape.at + 1}`;
  const off =
    shape.shape === 'offCentre' && radiusMm !== null
      ? `, ${measured((Math.abs(shape.arcsec) / ARCSEC_PER_RADIAN) * radiusMm)} mm at ${measured(radiusMm)} mm`
      : '';
  const titles: Readonly<Record<ShapeFound['shape'], string>> = {
    repeated: `a step that was repeated: ${size} at the last gap`,
    sawtooth: `a saw-tooth of rounding, up to ±${size}`,
    offCentre: `once a turn, ±${size}${off}`,
    twice: `twice a turn, ±${size}`,
    shaft: `a wave of ${shape.shaft ?? 'a shaft'}, ±${size}`,
    jump: `a jump that stays, ${size}${at}`,
    oneGap: `one place, ${size}${at}`,
    lostMotion: `lost motion, ${size} between the two ways`,
    none: 'no shape, only scatter',
  };
  return {
    title: titles[shape.shape],
    message: TRY[shape.shape],
    explains: shape.shape === 'none' ? '' : `${Math.round(100 * shape.explains)} % of it`,
  };
}

/** All that a division record says, in words. */
export const divisionRecordReport = (
  fit: DivisionFit,
  radiusMm: number | null,
): { readonly best: ShapeReport; readonly others: readonly ShapeReport[]; readonly rms: string } => ({
  best: shapeReport(fit.best, radiusMm),
  others: fit.others.map((o) => shapeReport(o, radiusMm)),
  rms: angleText(fit.rms),
});
