import type { PartColumn, ShelfRow, ShelfSort } from '@pendrix/core';

/** A column of the shelf's list. */
export interface Column {
  readonly id: PartColumn | 'used';
  readonly sort: ShelfSort;
  readonly title: string;
  readonly number: boolean;
}

export const COLUMNS: readonly Column[] = [
  { id: 'name', sort: 'name', title: 'Part', number: false },
  { id: 'teeth', sort: 'teeth', title: 'Teeth', number: true },
  { id: 'size', sort: 'size', title: 'Size', number: true },
  { id: 'bore', sort: 'bore', title: 'Bore', number: true },
  { id: 'own', sort: 'own', title: 'Own', number: true },
  { id: 'used', sort: 'used', title: 'In use', number: true },
  { id: 'price', sort: 'price', title: '€ each', number: true },
  { id: 'known', sort: 'known', title: 'Known by', number: false },
];

/** What a cell says of its line. */
export const textOf = (row: ShelfRow, id: Column['id']): string =>
  id === 'name' ? row.label : id === 'used' ? (row.used === 0 ? '–' : String(row.used)) : row[id as 'own'];
