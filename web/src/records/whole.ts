import type { Workshop } from '@pendrix/core/files/index';
import { kindIds, kindOfRow, type KindId, type Row } from './kinds.ts';
import { useRecords } from './records.ts';

/** Everything that can be read, as a workshop file holds it: each kind of record says what of it is kept. */
export function wholeWorkshop(): Workshop {
  const { tables } = useRecords();
  const sorted = (kind: KindId): readonly Row[] =>
    [...(tables[kind] as ReadonlyMap<string, Row>).values()].sort(kindOfRow(kind).before);
  const places = new Map(sorted('drive').map((r, i) => [r.id, i]));
  const kept = kindIds.map((kind) => [
    kindOfRow(kind).list,
    sorted(kind).flatMap((r) => kindOfRow(kind).kept(r, (id) => places.get(id)) ?? []),
  ]);
  return Object.fromEntries(kept) as Workshop;
}
