import type { Grade } from '../motion/index.ts';
import { divide, type Divider } from './divisions.ts';

/** Which counts from `from` to `to` come out even with this drive; the rest are rounded or miss. (handbook: divide) */
export function countMap(
  divider: Divider,
  from: number,
  to: number,
): readonly { readonly divisions: number; readonly grade: Grade }[] {
  const out = [];
  for (let d = from; d <= to; d++) out.push({ divisions: d, grade: divide(divider, d).grade });
  return out;
}
