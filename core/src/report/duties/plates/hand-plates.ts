import type { DutyKind } from '../kind.ts';

/** Plates to begin with: those of a common set. */
const USUAL = '15-20 / 21 23 27 29 31 33 / 37 39 41 43 47 49';

/** Dividing by hand, with hole plates: what is judged of it is `PlatesReport`. (handbook: divide, index plates) */
export const handPlates: DutyKind = {
  group: { id: 'plates', title: 'Plates' },
  ask: {
    title: 'Hole plates',
    purpose: 'dividing by hand: which circle, how many holes',
    edit: { do: 'plates', key: 'plates', text: USUAL },
    empty: {
      title: 'No plates yet',
      message: 'The circles of your plates, and the worm of the head: how each count is made by hand.',
      add: 'Begin with these plates',
    },
  },
  asked: ({ plates }) => plates !== undefined,
  judgesOnly: true,
  many: false,
  reports: () => [],
};
