// What the tests get for fast-check: the properties of `npm test` begin at one seed, so that what passed today passes tomorrow, and try a
// third of their cases. `npm run properties` lets them begin anywhere and tries all, and finds what the one seed does not.
import fc from '../node_modules/fast-check/lib/fast-check.js';

const all = process.env.PENDRIX_SEED !== undefined;
fc.configureGlobal({ seed: Number(process.env.PENDRIX_SEED ?? 1) });

const fewer = (params) => ({ ...params, numRuns: Math.ceil((params?.numRuns ?? 100) / 3) });

export default all ? fc : { ...fc, assert: (property, params) => fc.assert(property, fewer(params)) };
