import { parseRational, toNumber } from '../numbers/index.ts';
import { FEELS, type Feel, type MeshMove } from './mesh.ts';

const isFeel = (text: string): text is Feel => (FEELS as readonly string[]).includes(text);

/** "0 binds; 1/2 rattles; -1/4 stiff; lock smooth": turns of the screw, what was felt, and "rocks" or "unsnugged" after it. */
export function readMeshLog(text: string): readonly MeshMove[] {
  return text
    .split(/[;\n]/)
    .map((part) => part.trim().split(/\s+/))
    .flatMap(([turned = '', felt = '', ...more]): MeshMove[] => {
      const locked = turned === 'lock';
      const turns = locked ? null : parseRational(turned.replace('−', '-').replace(/^\+/, ''));
      if (!isFeel(felt) || (!locked && !turns)) return [];
      return [
        {
          turns: turns ? toNumber(turns) : 0,
          felt,
          ...(locked && { locked: true }),
          ...(more.includes('rocks') && { rocks: true }),
          ...(more.includes('unsnugged') && { loose: true }),
        },
      ];
    });
}

/** A turn of a screw as a fraction of 128ths at the finest: "1/16", "-3/8". */
export function turnText(turns: number): string {
  const sign = turns < 0 ? '-' : '';
  let [n, d] = [Math.round(Math.abs(turns) * 128), 128];
  while (d > 1 && n % 2 === 0) [n, d] = [n / 2, d / 2];
  if (n === 0) return '0';
  if (d === 1) return `${sign}${n}`;
  const whole = Math.floor(n / d);
  return whole === 0 ? `${sign}${n}/${d}` : `${sign}${whole} ${n % d}/${d}`;
}

/** The log with one more entry, as it is kept. */
export function withMeshMove(text: string, move: MeshMove): string {
  // a fraction above 1 is kept as one fraction, so that it is read back as one word
  const n = Math.round(Math.abs(move.turns) * 128);
  const turned = move.locked ? 'lock' : move.turns === 0 ? '0' : `${move.turns < 0 ? '-' : ''}${n}/128`;
  const entry = [
    turned,
    move.felt,
    ...(move.rocks ? ['rocks'] : []),
    ...(move.loose ? ['unsnugged'] : []),
  ].join(' ');
  return text.trim() === '' ? entry : `${text.trim()}; ${entry}`;
}
