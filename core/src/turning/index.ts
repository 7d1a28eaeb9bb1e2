export { elevationOf, GRAVITY, imbalanceNm, steadyNm } from './load.ts';
export {
  availableNm,
  cornerRate,
  detentOf,
  FELT,
  heatW,
  heldNm,
  inBand,
  motorsOf,
  PULL_IN,
  resonanceAtWork,
  resonanceOf,
  rotorKgM2,
  type Resonance,
  type ResonanceAtWork,
} from './motor.ts';
