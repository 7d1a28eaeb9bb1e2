import { efficiencyOf } from '../../drive/index.ts';
import { knownFrom, termId, type Cause } from '../context.ts';
import { steadyNm } from '../../turning/index.ts';
import { ARCSEC_PER_RADIAN } from '../term.ts';

/** Wind-up T/K of belts, couplings and shafts; a belt always gives, others where somebody said by how much. (handbook: errors) */
export const windUp: Cause = ({ drive, k, reflect, from }) => {
  const { load } = drive.job;
  const { stages } = drive.train;
  const torque = load ? steadyNm(load) + (load.frictionNm ?? 0) : null;
  return stages.flatMap((stage, at) => {
    const stiff = stage.stiffnessNmPerRad;
    if (at < from || (stage.kind !== 'belt' && stiff === undefined)) return [];
    const behind = stages.slice(at + 1).reduce((n, s) => n * efficiencyOf(s), 1);
    const turns =
      Number(k.shafts[at + 1]!.turnsPerOutputTurn.n) / Number(k.shafts[at + 1]!.turnsPerOutputTurn.d);
    const here = torque === null ? null : torque / turns / behind;
    const field = { of: 'stage', at, key: 'stiffnessNmPerRad' } as const;
    return [
      {
        id: termId(field),
        cause: stage.kind === 'belt' ? 'belt stretch' : 'wind-up',
        stage: at,
        shaft: at + 1,
        kind: 'windup' as const,
        arcsec: here === null || stiff === undefined ? null : (here / stiff) * reflect(at + 1),
        turnsPerOutputTurn: null,
        known: knownFrom(stage, 'stiffnessNmPerRad'),
        value: { field, unit: 'N·m/rad', amount: stiff ?? null, perUnit: null },
      },
    ];
  });
};

/** A shaft that nods in its bearings: ±c/s. Told where somebody gave both. (handbook: errors, bearings and joints) */
export const bearings: Cause = ({ drive, k }) => {
  const { output } = drive.train;
  if (output.kind !== 'rotary' || output.bearingClearanceMm === undefined || !output.bearingSpanMm) return [];
  const field = { of: 'output', at: 0, key: 'bearingClearanceMm' } as const;
  const perUnit = ARCSEC_PER_RADIAN / output.bearingSpanMm;
  return [
    {
      id: termId(field),
      cause: 'bearings nod',
      stage: null,
      shaft: k.shafts.length - 1,
      kind: 'joint',
      arcsec: output.bearingClearanceMm * perUnit,
      turnsPerOutputTurn: null,
      known: knownFrom(output, 'bearingClearanceMm'),
      value: { field, unit: 'mm', amount: output.bearingClearanceMm, perUnit },
    },
  ];
};
