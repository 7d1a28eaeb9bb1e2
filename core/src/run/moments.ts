/** A span in seconds, 0 or more. */
export const isSeconds = (n: unknown): boolean => typeof n === 'number' && Number.isFinite(n) && n >= 0;
/** A moment in milliseconds since 1970. */
export const isMoment = (n: unknown): boolean => typeof n === 'number' && Number.isFinite(n);
