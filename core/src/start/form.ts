import { error, ok, type Result } from '../numbers/index.ts';
import {
  applyEdit,
  dutiesIn,
  newDrive,
  pathOf,
  trainsOf,
  type Drive,
  type DutyId,
  type Edit,
} from '../drive/index.ts';
import type { Rich } from '../words/index.ts';
import { aimIds, aimOf, isAim, type AimId } from './aims/index.ts';
import { canQuestion, motorQuestion, ownQuestion, wordsOf } from './at-hand.ts';
import { ofOutput, toDuty, type OutputEdit, type Question } from './question.ts';

/** One question with its answer in force. */
export interface Asking extends Pick<
  Question,
  'id' | 'title' | 'hint' | 'unit' | 'example' | 'options' | 'typed' | 'several'
> {
  /** as it would be typed; nothing while it is open */
  readonly value: string;
  /** nobody has answered it: what is taken meanwhile, or nothing where nothing can be */
  readonly taken: string | null;
  /** "I do not know" is an answer to it */
  readonly canSkip: boolean;
  readonly means: Rich;
}

/** What is asked of a drive first. (handbook: choose, first questions) */
export interface StartForm {
  readonly aims: readonly { readonly id: AimId; readonly title: string; readonly hint: string }[];
  readonly aim: AimId | null;
  readonly asking: readonly Asking[];
  /** a question that nothing can be said without is open */
  readonly lacks: string | null;
}

/** The questions of an aim, in their order. Only a ratio and a movement are made of nothing but wheels. */
function questionsOf(aim: AimId, drive: Drive): readonly Question[] {
  const { questions, wheels } = aimOf(aim);
  const own = wordsOf(drive.start?.own ?? '').includes('motor') ? [motorQuestion] : [];
  const asked = questions.filter((q) => q.when?.(drive) !== false);
  return wheels ? asked : [...asked, ownQuestion, ...own, canQuestion];
}

export function startForm(drive: Drive): StartForm {
  const { start } = drive;
  const aim = isAim(start?.aim) ? start.aim : null;
  const unknown = wordsOf(start?.unknown ?? '');
  const list = aim === null ? [] : questionsOf(aim, drive);
  const asking = list.map((q): Asking => {
    const { id, title, hint, unit, example, options, typed, several, taken } = q;
    const value = q.get(drive);
    const open = unknown.includes(id);
    return {
      ...{ id, title, hint, example },
      ...(unit !== undefined && { unit }),
      ...(options && { options }),
      ...(typed && { typed }),
      ...(several && { several }),
      value: open && !options ? '' : value,
      taken: open && taken !== '' ? value : null,
      canSkip: taken !== '',
      means: q.means(drive),
    };
  });
  const lacking = list.find((q) => q.needed && q.get(drive) === '');
  return {
    aims: aimIds.map((id) => ({ id, title: aimOf(id).title, hint: aimOf(id).hint })),
    aim,
    asking,
    lacks: lacking ? lacking.title.toLowerCase() : null,
  };
}

/** All of them, or why the first that is refused is. */
function taken(drive: Drive, edits: readonly OutputEdit[]): Result<Drive> {
  let now = drive;
  for (const { output, edit } of edits) {
    const after = applyEdit(now, edit, output);
    if (!after.ok) return after;
    now = after.value;
  }
  return ok(now);
}

const marked = (drive: Drive, unknown: readonly string[]): Edit =>
  toDuty('start', 'unknown', unknown.join(', '));

/** The edits of an answer; nothing typed is "I do not know", where something can be taken. Refused as its field in the Job is. */
export function answerEdits(drive: Drive, id: string, text: string): Result<readonly OutputEdit[]> {
  const aim = drive.start?.aim;
  const question = isAim(aim) ? questionsOf(aim, drive).find((q) => q.id === id) : undefined;
  if (!question) return error('unknownEdit', id);
  const skipped = text.trim() === '' && !question.several;
  const set = question.set(drive, skipped ? question.taken : text);
  if (!set.ok) return set;
  const others = wordsOf(drive.start?.unknown ?? '').filter((u) => u !== id);
  const now = skipped && question.taken !== '' ? [...others, id] : others;
  const edits = [...set.value, marked(drive, now)].map(ofOutput);
  const checked = taken(drive, edits);
  return checked.ok ? ok(edits) : checked;
}

/** Duties that an aim may have brought. */
const BROUGHT: readonly DutyId[] = ['rates', 'camera', 'sweeps', 'spins', 'load', 'between', 'blank'];

/** The edits by which a drive is asked for something else: the answers to the other questions go, and come back with Undo. */
export function aimEdits(drive: Drive, aim: AimId): Result<readonly OutputEdit[]> {
  const first: readonly Edit[] = [
    ...trainsOf(drive)
      .slice(1)
      .reverse()
      .map((t): Edit => ({ do: 'removeTrain', name: t.name })),
    ...BROUGHT.flatMap((duty) => dutiesIn(drive, duty).map((): Edit => ({ do: 'removeDuty', duty, at: 0 }))),
    { do: 'tolerance', as: 'none', text: '' },
    { do: 'radius', text: '' },
    { do: 'divisions', text: '' },
    ...(drive.plates ? [{ do: 'plates', key: 'plates', text: '' } as const] : []),
    { do: 'train', train: { ...newDrive('').train, source: drive.train.source }, label: aimOf(aim).title },
    ...Object.keys(drive.find ?? {})
      .filter((key) => key !== 'kinds')
      .map((key): Edit => ({ do: 'find', key, text: '' })),
    ...(drive.start ? [] : [{ do: 'addDuty', duty: 'start' } as const]),
    toDuty('start', 'aim', aim),
    toDuty('start', 'own', 'motor, wheels, worm'),
    toDuty('start', 'can', 'buy, print, cut, drill'),
    ...aimOf(aim).begins,
  ];
  const edits = first.map(ofOutput);
  const bare = taken(drive, edits);
  if (!bare.ok) return bare;
  let now = bare.value;
  const open = questionsOf(aim, now).filter((q) => q.taken !== '');
  for (const q of open) {
    const set = q.set(now, q.taken);
    if (!set.ok) return set;
    const more = set.value.map(ofOutput);
    const after = taken(now, more);
    if (!after.ok) return after;
    edits.push(...more);
    now = after.value;
  }
  return ok([
    ...edits,
    ofOutput(
      marked(
        now,
        open.filter((q) => !q.several).map((q) => q.id),
      ),
    ),
  ]);
}

/** The questions are put away: the drive is worked on. */
export const beginEdit: Edit = toDuty('start', 'begun', 'true');

/** The edits by which a proposed drive takes its place, each with the output it is of. */
export function takeEdits(drive: Drive, proposed: Drive, title: string): readonly OutputEdit[] {
  const label = `begin with ${title.toLowerCase()}`;
  return [
    { output: 0, edit: { do: 'train', train: { ...drive.train, ...madeOf(proposed.train) }, label } },
    ...(proposed.others ?? []).map((_, i): OutputEdit => ({
      output: i + 1,
      edit: { do: 'train', train: pathOf(proposed, i + 1).drive.train, label },
    })),
    { output: 0, edit: beginEdit },
  ];
}

const madeOf = ({
  source,
  stages,
  output,
}: Drive['train']): Pick<Drive['train'], 'source' | 'stages' | 'output'> => ({
  source,
  stages,
  output,
});

/** The edits by which all drives are compared that the answers leave open, or the trains of a ratio. */
export function compareEdits(drive: Drive): readonly OutputEdit[] {
  const { aim, can } = drive.start ?? {};
  const words = wordsOf(can ?? '');
  const makes = words.includes('print') || words.includes('cut');
  const find = (key: string, text: string): OutputEdit => ({ output: 0, edit: { do: 'find', key, text } });
  const wheels = isAim(aim) && aimOf(aim).wheels;
  return [
    ...(wheels
      ? [find('question', 'ratio')]
      : [
          find('question', 'drives'),
          find('pool', words.includes('buy') || makes ? 'anything' : 'shelf'),
          find('canMake', makes ? 'yes' : 'no'),
        ]),
    { output: 0, edit: beginEdit },
  ];
}
