import { ok } from '../../numbers/index.ts';
import type { Drive, FindSettings } from '../../drive/index.ts';
import { turnErrorText } from '../../report/index.ts';
import { div, exactly, rational } from '../../numbers/index.ts';
import type { Aim, Question } from '../question.ts';

/** A question whose answer is one field of the search. */
export const asFind = (key: keyof FindSettings): Pick<Question, 'get' | 'set'> => ({
  get: ({ find }: Drive) => String(find?.[key] ?? ''),
  set: (_, text) => ok([{ do: 'find', key, text }]),
});

/** Wheels that can be had, teeth. */
export const wheelsAtHand: Question = {
  id: 'wheels',
  title: 'Wheels',
  hint: 'teeth that you have or can cut',
  example: '12 to 100',
  taken: '12-100',
  ...asFind('wheels'),
  means: () => ['pairs of any two of them'],
};

/** Nothing but a number. */
export const ratio: Aim = {
  title: 'Only a ratio',
  hint: 'wheels for a number I have',
  wheels: true,
  begins: [{ do: 'find', key: 'question', text: 'ratio' }],
  questions: [
    {
      id: 'target',
      needed: true,
      title: 'The number',
      hint: 'turns in for one turn out',
      example: '365.2422, or 12 : 7',
      taken: '',
      ...asFind('target'),
      means: () => ['as exactly as you know it'],
    },
    {
      id: 'near',
      title: 'How near',
      hint: 'parts in a million',
      unit: 'ppm',
      example: '10',
      taken: '100',
      ...asFind('errorPpm'),
      means: ({ find }) =>
        find?.errorPpm === undefined
          ? []
          : [`${turnErrorText(div(exactly(find.errorPpm), rational(1_000_000)))} in each turn`],
    },
    wheelsAtHand,
  ],
};
