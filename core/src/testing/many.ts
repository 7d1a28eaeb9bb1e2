/**
 * How many cases a slow test tries: all of them in `npm run properties`, a third in `npm test`, where what passed yesterday is tried
 * again and a change that breaks something breaks it in many.
 */
export const many = (cases: number): number =>
  process.env['PENDRIX_SEED'] === undefined ? Math.ceil(cases / 3) : cases;
