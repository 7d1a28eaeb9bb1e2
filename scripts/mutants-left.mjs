/** Drawn faults that no test notices, and why that is left so: by the name that `npm run mutants` prints. */
export const LEFT = {};
