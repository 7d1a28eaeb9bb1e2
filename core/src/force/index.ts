export {
  askedOf,
  bearsN,
  BEARS_MPA,
  forceOf,
  shakes,
  speedsAsked,
  type AskedTorque,
  type AtSpeed,
  type Back,
  type Force,
  type Mesh,
} from './force.ts';
export { batteryHours, cantilever, tippingOf, type Tipping } from './stand.ts';
export { cordLayer, inclineN, railSag, returnsBetween } from './slide.ts';
export { cutForce, frictionWindow, pullTest, pushTest, roughTest } from './tests.ts';
