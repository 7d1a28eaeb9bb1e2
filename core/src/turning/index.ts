export { elevationOf, GRAVITY, imbalanceNm, steadyNm } from './load.ts';
export {
  availableNm,
  cornerRate,
  detentOf,
  FELT,
  heatW,
  heldNm,
  motorsOf,
  PULL_IN,
  resonanceOf,
  rotorKgM2,
  type Resonance,
} from './motor.ts';
