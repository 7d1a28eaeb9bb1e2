import { error, ok } from '../numbers/index.ts';
import { toDuty, type Question } from './question.ts';

/** What somebody has, and what somebody can do, as it is asked of everybody. */
const OWN = { motor: 'a motor', wheels: 'wheels or belts', worm: 'a worm or a gearbox' } as const;
const CAN = { buy: 'buy parts', print: 'print wheels', cut: 'cut wheels', drill: 'bend and drill' } as const;
export type Own = keyof typeof OWN;
export type Can = keyof typeof CAN;

export const wordsOf = (text: string): readonly string[] => text.split(/[\s,]+/).filter((w) => w !== '');
const optionsOf = (words: Readonly<Record<string, string>>): NonNullable<Question['options']> =>
  Object.entries(words).map(([value, title]) => ({ value, title }));

function several(
  key: 'own' | 'can',
  title: string,
  hint: string,
  words: Readonly<Record<string, string>>,
): Question {
  const all = Object.keys(words);
  return {
    id: key,
    title,
    hint,
    example: all.join(', '),
    taken: all.join(', '),
    options: optionsOf(words),
    several: true,
    get: (drive) => drive.start?.[key] ?? '',
    set: (_, text) => {
      const wrong = wordsOf(text).find((w) => !all.includes(w));
      return wrong === undefined
        ? ok([toDuty('start', key, wordsOf(text).join(', '))])
        : error('notAChoice', wrong, { limit: all.join(', ') });
    },
    means: () => [],
  };
}

export const ownQuestion = several('own', 'What you have', 'on your shelf', OWN);
export const canQuestion = several('can', 'What you can do', '', CAN);

/** The motor that somebody has, by its steps: then no other is chosen. */
export const motorQuestion: Question = {
  id: 'motor',
  title: 'Your motor',
  hint: 'whole steps a turn',
  example: '200, or any',
  taken: '',
  get: ({ find, train: { source } }) =>
    find?.keepMotor === 'yes' && 'fullSteps' in source ? String(source.fullSteps) : '',
  set: ({ train: { source } }, text) =>
    text.trim() === ''
      ? ok([{ do: 'find', key: 'keepMotor', text: '' }])
      : ok([
          ...('fullSteps' in source ? [] : [{ do: 'sourceKind', kind: 'stepper' } as const]),
          { do: 'source', key: 'fullSteps', text },
          { do: 'find', key: 'keepMotor', text: 'yes' },
        ]),
  means: ({ find }) => [find?.keepMotor === 'yes' ? 'it stays' : 'leave it empty for any'],
};
