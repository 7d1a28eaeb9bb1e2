export { seeded } from './random.ts';
export { speedRipple, type Ripple } from './ripple.ts';
export { shares, type ShareAt, type SharesAsked } from './share.ts';
export {
  simulateDividing,
  simulatePlaces,
  simulateTracking,
  type Simulated,
  type Tracked,
} from './simulate.ts';
export { STAR_PX, starField, type PictureMotion, type StarField } from './stars.ts';
