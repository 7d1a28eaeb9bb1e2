/** Drawn faults that no test notices, and why that is left so: by the name that `npm run mutants` prints. */
export const LEFT = {
  "core/src/force/force.ts: back.is === 'holds' || hangs === 0 [|| → &&]":
    'with nothing that hangs no branch after it says that it turns back, and what holds has no torque to compare: the same answer',
  'core/src/control/stand-in.ts: ? Math.max(0, Math.abs(left) - coast) + coast * (0.5 + random()) [* → /]':
    'how far a made-up motor coasts on its last creep is made up; the window it hunts into is what is promised',
  'core/src/measure/tracking.ts: if (yield part(0.5 + (0.5 * (i + 1)) / MAX_PEAKS)) return null; [+ → -]':
    'where the bar stands between two peaks of one record; that it ends at 1 is tested',
  'web/src/records/records.ts: let hiddenAt = 0; [0 → 1]':
    'a millisecond of 1970: it is compared with nothing nearer than an hour',
  'web/src/records/journal.ts: for (let i = 0; i < s.length; i++) { [< → <=]':
    'one place past the last is asked for, which has no key',
  'web/src/stores/finding.ts: progress.value = pool.map(() => ({ stages: 1, done: 0, of: 1 })); [1 → 2]':
    'how far a search is before its first word, of one part or of two: nothing of either is behind',
};
