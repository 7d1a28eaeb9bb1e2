import { divisionRuns, rational } from '../../numbers/index.ts';
import type { countMap } from '../../divide/index.ts';
import { kindOf, type Drive, type Kinematics, type Part } from '../../drive/index.ts';

/** The counts that the strip of a drive goes through. */
export const STRIP = { from: 2, to: 400 } as const;

/** Which counts from 2 to 400 come out even, as marks and as a list to read or copy. (handbook: divide) */
export interface StripReport {
  readonly map: ReturnType<typeof countMap>;
  readonly even: number;
  readonly microstep: number;
  /** "2–6, 8–10, 12, …", those on a microstep too */
  readonly list: string;
}

export function stripReport(map: ReturnType<typeof countMap>): StripReport {
  const is = (grade: string): readonly number[] =>
    map.filter((m) => m.grade === grade).map((m) => m.divisions);
  const [even, microstep] = [is('even'), is('evenMicrostep')];
  return {
    map,
    even: even.length,
    microstep: microstep.length,
    list: divisionRuns([...even, ...microstep].sort((a, b) => a - b)),
  };
}

/** What stands in the ledger: every part of the train, or with a wheel that locks only it and what comes after. */
export function partsThatMatter(drive: Drive, k: Kinematics): readonly Part[] {
  if (!k.lock) return k.parts;
  const [locking, ...after] = drive.train.stages.slice(k.lock.stage);
  return [
    { label: 'Places', factor: rational(kindOf(locking!).locks!(locking!)) },
    ...after.flatMap((s) => kindOf(s).parts(s)),
  ];
}
