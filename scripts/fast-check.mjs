// What the tests get for fast-check: the properties of `npm test` begin at one seed, so that what passed today passes tomorrow.
// `npm run properties` lets them begin anywhere, and finds what the one seed does not.
import fc from '../node_modules/fast-check/lib/fast-check.js';

fc.configureGlobal({ seed: Number(process.env.PENDRIX_SEED ?? 1) });

export default fc;
