/** Small tests on the bench that replace a guess. (handbook: force; errors, push test) */

/** Pulled both ways at a radius with a spring balance: half the sum is friction, half the difference hangs. */
export const pullTest = (
  forthN: number,
  backN: number,
  radiusM: number,
): { readonly frictionNm: number; readonly imbalanceNm: number } => ({
  frictionNm: ((forthN + backN) * radiusM) / 2,
  imbalanceNm: (Math.abs(forthN - backN) * radiusM) / 2,
});

/** Spreads at two torques either way: 2(T2 − T1)/(s2 − s1) and what is left of s1; null where the greater torque moves it no further. */
export function pushTest(
  torque1Nm: number,
  spread1Arcsec: number,
  torque2Nm: number,
  spread2Arcsec: number,
): { readonly stiffnessNmPerRad: number; readonly playArcsec: number } | null {
  const by = ((spread2Arcsec - spread1Arcsec) * Math.PI) / (180 * 3600);
  if (by <= 0 || torque2Nm <= torque1Nm) return null;
  const stiffnessNmPerRad = (2 * (torque2Nm - torque1Nm)) / by;
  const lead = ((2 * torque1Nm) / stiffnessNmPerRad) * ((180 * 3600) / Math.PI);
  return { stiffnessNmPerRad, playArcsec: spread1Arcsec - lead };
}

/** Where it is rough while it speeds up slowly tells what turns: J = p·T_h/(2πf)². */
export const roughTest = (polePairs: number, holdingNm: number, stepRate: number): number =>
  (polePairs * holdingNm) / (2 * Math.PI * stepRate) ** 2;

/** Pull of an arm at which an axis set by hand slips: at most (available/2 − load)/r, at least what hangs/r. */
export const frictionWindow = (
  availableNm: number,
  loadNm: number,
  imbalanceNm: number,
  radiusM: number,
  holds: boolean,
): { readonly leastN: number; readonly mostN: number } => ({
  leastN: holds ? 0 : imbalanceNm / radiusM,
  mostN: (availableNm / 2 - loadNm) / radiusM,
});

/** Force and torque of a cut: k_c·width·chip thickness, N, and at a radius in mm. */
export const cutForce = (
  cuttingNPerMm2: number,
  widthMm: number,
  chipMm: number,
  radiusMm: number,
): { readonly forceN: number; readonly torqueNm: number } => {
  const forceN = cuttingNPerMm2 * widthMm * chipMm;
  return { forceN, torqueNm: (forceN * radiusMm) / 1000 };
};
