import type { Sheet } from '@pendrix/core';

/** What stands instead of a number at a line that is no gap. */
export const NAMES = { gap: '', rewind: 'rewind', return: 'back' } as const;

/** The heads of a sheet's columns, on the screen and on paper. */
export const sheetHeads = ({
  plate,
  unit,
  source,
}: Pick<Sheet, 'plate' | 'unit' | 'source'>): readonly string[] => [
  'Gap',
  'Move',
  plate ? 'Pin in hole' : `Go to, ${unit}`,
  ...(plate ? [] : ['Moved', 'Error']),
  'Angle at the work',
  plate ? 'Crank in all' : `${source.replace(/^./, (c) => c.toUpperCase())}, turns`,
];
