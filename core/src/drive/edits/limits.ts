import { fromEntries } from '../data.ts';
import {
  exactly,
  isNegative,
  isZero,
  readNumber,
  error,
  ok,
  toText,
  type Result,
} from '../../numbers/index.ts';
import type { Train } from '../drive.ts';
import type { EditKind } from './edit.ts';

export interface SetLimits {
  readonly do: 'limits';
  /** turns of the work from home; both empty, or one empty and the other 0, takes the limits away */
  readonly back: string;
  readonly forth: string;
  readonly why?: string;
}

/** How far the work may turn. Refuses limits that leave no room. (handbook: drive, limits of turning) */
export const limits: EditKind<SetLimits> = {
  id: 'limits',
  apply: (drive, edit) => {
    const train = fromEntries<Train>(Object.entries(drive.train).filter(([key]) => key !== 'limits'));
    if (isNone(edit)) return ok({ ...drive, train });
    const [back, forth] = [turns(edit.back), turns(edit.forth)];
    if (!back.ok) return back;
    if (!forth.ok) return forth;
    if (isZero(exactly(back.value)) && isZero(exactly(forth.value)))
      return error('limitBackwards', `${edit.back} and ${edit.forth}`);
    const why = edit.why?.trim().slice(0, 60);
    const after = { back: back.value, forth: forth.value, ...(why ? { why } : {}) };
    return ok({ ...drive, train: { ...train, limits: after } });
  },
  label: (edit) => (isNone(edit) ? 'no limits of turning' : `limits ${edit.back} back, ${edit.forth} forth`),
};

/** Nothing is left of them: both empty, or the one that is left is nothing. */
function isNone({ back, forth }: SetLimits): boolean {
  const none = (text: string): boolean => /^\s*0*\s*$/.test(text);
  return none(back) && none(forth) && (back.trim() === '' || forth.trim() === '');
}

function turns(text: string): Result<string> {
  if (text.trim() === '') return ok('0');
  const read = readNumber(text);
  if (!read.ok) return { ok: false, refusal: { ...read.refusal, example: '1' } };
  return isNegative(read.value) ? error('negative', text, { example: '1' }) : ok(toText(read.value));
}
