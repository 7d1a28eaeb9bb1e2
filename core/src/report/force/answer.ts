import type { ForceReport } from './report.ts';

/** What the terminal tells of force, at the speed of the load, else the fastest that the job asks for; no load: nulls. (docs: formats) */
export function forceAnswer(r: ForceReport | null): object {
  const speed = r?.range?.[1] ?? null;
  const at = r && speed !== null ? r.force.at(speed) : null;
  const resonance = r?.force.resonance ?? null;
  return {
    motorTorqueWantedNm: r ? r.force.motorNm : null,
    motorTorqueAvailableNm: at?.availableNm ?? null,
    margin: at?.margin ?? null,
    motorRpm: at?.motorRpm ?? null,
    stepRate: at?.stepRate ?? null,
    resonanceStepRate: resonance?.stepRate ?? null,
    resonanceOutputRpm: resonance?.rpm ?? null,
    grade: r?.graded.grade ?? 'unknown',
    // with the power off; null while it is not known
    holds: r === null || r.force.turnsBack === null ? null : !r.force.turnsBack,
    meshes: (r?.force.meshes ?? []).map((m) => ({
      stage: m.stage + 1,
      wheel: m.label,
      teeth: m.teeth,
      forceN: m.forceN,
      bearsN: m.bearsN,
      margin: m.margin,
    })),
  };
}
