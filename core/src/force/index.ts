export {
  askedOf,
  bearsN,
  BEARS_MPA,
  forceOf,
  shakes,
  speedsAsked,
  type AskedTorque,
  type AtSpeed,
  type Force,
  type Mesh,
} from './force.ts';
export { availableNm, cornerRate, FELT, heatW, PULL_IN, resonanceOf, type Resonance } from './motor.ts';
export { batteryHours, cantilever, tippingOf, type Tipping } from './stand.ts';
export { cordLayer, inclineN, railSag, returnsBetween } from './slide.ts';
export { cutForce, frictionWindow, pullTest, pushTest, roughTest } from './tests.ts';
