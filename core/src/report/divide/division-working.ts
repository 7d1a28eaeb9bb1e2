import { ARCSEC_PER_TURN, abs, factors, isZero, mul, toText, type Rational } from '../../numbers/index.ts';
import {
  errorSeries,
  microstepArcsec,
  MAX_CHARTED,
  stepsToArcsec,
  targetAt,
  worstMove,
  type Divider,
  type Division,
} from '../../divide/index.ts';
import type { Drive, Kinematics } from '../../drive/index.ts';
import { isSure, type StopBy, type Stops } from '../../motion/index.ts';
import {
  angleText,
  doubtText,
  type Figure,
  fraction,
  grouped,
  measured,
  mixed,
  powers,
  type Rich,
  signedAngle,
  stacked,
  strong,
  whole,
  type WorkingLine,
} from '../../words/index.ts';
import { turnLine } from '../train/train.ts';

/** What the work stops by, in a word for a working. */
export const UNITS = {
  step: 'microstep',
  mark: 'mark',
  count: 'count',
  hole: 'hole',
  rest: 'rest',
} as const satisfies Record<StopBy, string>;

const zeroLine = (label: string): WorkingLine => ({ label, text: strong(['0″']), exact: true });

/** The lines that say why N/D is not whole. */
function whyNot(d: Division, N: Rational): WorkingLine[] {
  const lines: WorkingLine[] = [
    {
      label: `one of ${grouped(String(d.divisions))}`,
      text: [...fraction(d.step), ' = ', ...strong(mixed(d.step))],
      exact: true,
    },
  ];
  if (d.step.d > 1n && N.d === 1n)
    lines.push({
      label: 'why not whole',
      text: [whole(N.n), ' = ', ...powers(factors(N.n)), `, no ${whole(d.missingFactor)}`],
      exact: true,
    });
  if (N.d > 1n)
    lines.push({
      label: 'why not whole',
      text: [`one turn is not whole itself; it closes after ${whole(N.d)}`],
      exact: true,
    });
  return lines;
}

/** Steps turned into an angle: the two lines before the last. */
function inAngle(label: string, steps: Rational, { stepsPerTurn: N, by }: Divider): WorkingLine[] {
  const micro = microstepArcsec(N);
  return [
    {
      label: `one ${UNITS[by]}`,
      text: [`${whole(ARCSEC_PER_TURN)}″ ÷ `, ...mixed(N), ' = ', ...fraction(micro), '″'],
      exact: true,
    },
    {
      label,
      text: [...fraction(steps), ' × ', ...fraction(micro), '″ = ', ...fraction(mul(steps, micro)), '″'],
      exact: true,
    },
  ];
}

/** One count of one drive, for its figures. */
export interface Asked {
  readonly drive: Drive;
  readonly k: Kinematics;
  readonly divider: Divider;
  readonly d: Division;
}

const figure = (
  { d, divider }: Asked,
  part: string,
  label: string,
  steps: Rational,
  text: Rich,
  working: () => readonly WorkingLine[],
): Figure => ({
  key: `divide.${d.divisions}.${part}`,
  label: `${label} ${grouped(String(d.divisions))}`,
  value: toText(mul(steps, microstepArcsec(divider.stepsPerTurn))),
  text,
  exact: isZero(steps) && isSure(divider.doubt),
  working: () => withDoubt(working(), divider),
});

/** Before its last line a working says what all of it rests on. */
function withDoubt(lines: readonly WorkingLine[], { doubt }: Divider): readonly WorkingLine[] {
  const last = lines.at(-1);
  if (isSure(doubt) || !last) return lines;
  const rests = { label: 'rests on', text: [doubtText(doubt, 'arcsec').replace(/^,? /, '')], exact: false };
  return [...lines.slice(0, -1), rests, { ...last, exact: false }];
}

const stopsOfDivider = ({ by, stepsPerTurn }: Divider): Stops => ({
  by,
  perTurn: stepsPerTurn,
  perStop: null,
  room: null,
});

/** The worst rounding of D divisions, ±. (handbook: divide, absolute targets) */
export function worstFigure(asked: Asked): Figure {
  const { drive, k, divider, d } = asked;
  const N = divider.stepsPerTurn;
  const arcsec = stepsToArcsec(d.worstErrorSteps, N);
  const text = `±${angleText(arcsec)}`;
  const label = `worst error of ${grouped(String(d.divisions))}`;
  return figure(
    asked,
    'worst',
    'worst error of',
    d.worstErrorSteps,
    [isZero(d.worstErrorSteps) ? '0″' : text],
    () => {
      const lines = [turnLine(drive, k), ...whyNot(d, N)];
      if (d.step.d === 1n)
        return [
          ...lines,
          { label: 'every place', text: [`is a whole ${UNITS[divider.by]}`], exact: true },
          zeroLine(label),
        ];
      if (d.divisions <= MAX_CHARTED) {
        const move = worstMove(errorSeries(N, d.divisions));
        const t = targetAt(stopsOfDivider(divider), d.divisions, move);
        lines.push({
          label: `gap ${grouped(String(move + 1))}, move ${grouped(String(move))}`,
          text: [
            ...mixed(t.exact),
            ` goes to ${whole(t.target)}: `,
            ...fraction(abs(t.errorSteps)),
            t.errorSteps.s < 0n ? ' short' : ' too far',
          ],
          exact: true,
        });
      }
      const from = measured(arcsec) === String(arcsec) ? [] : [{ unit: `from ${arcsec.toPrecision(6)}″` }];
      return [
        ...lines,
        ...inAngle('so it is off', d.worstErrorSteps, divider),
        { label, text: [{ strong: text }, ...from], exact: false },
      ];
    },
  );
}

/** How unlike two neighbouring gaps can be. */
export function spacingFigure(asked: Asked): Figure {
  const { drive, k, divider, d } = asked;
  const N = divider.stepsPerTurn;
  const text = angleText(stepsToArcsec(d.spacingErrorSteps, N));
  const label = `spacing error of ${grouped(String(d.divisions))}`;
  return figure(asked, 'spacing', 'spacing error of', d.spacingErrorSteps, [text], () => {
    const lines = [turnLine(drive, k), ...whyNot(d, N)];
    if (d.step.d === 1n) return [...lines, zeroLine(label)];
    const rest = d.step.n % d.step.d;
    const last = abs(targetAt(stopsOfDivider(divider), d.divisions, d.divisions - 1).errorSteps);
    return [
      ...lines,
      {
        label: 'gaps are',
        text: [
          `${whole(d.step.n / d.step.d)} or ${whole(d.step.n / d.step.d + 1n)}, off by `,
          stacked(rest, d.step.d),
          ' or ',
          stacked(d.step.d - rest, d.step.d),
          ...(N.d === 1n ? [] : [', where they occur in the first turn']),
        ],
        exact: true,
      },
      ...(N.d === 1n
        ? []
        : [
            {
              label: 'the last gap',
              text: ['closes on the first place as the work does, off by ', ...fraction(last)],
              exact: true,
            },
          ]),
      ...inAngle('the greatest', d.spacingErrorSteps, divider),
      { label, text: strong([text]), exact: false },
    ];
  });
}

/** What one repeated count leaves in the last gap. (handbook: divide, repeated step) */
export function closingFigure(asked: Asked): Figure {
  const { drive, k, divider, d } = asked;
  const N = divider.stepsPerTurn;
  const arcsec = stepsToArcsec(d.closingErrorSteps, N);
  const label = `closing error of ${grouped(String(d.divisions))}`;
  return figure(asked, 'closing', 'closing error of', d.closingErrorSteps, [signedAngle(arcsec)], () => {
    const lines = [turnLine(drive, k), ...whyNot(d, N)];
    if (d.step.d === 1n && isZero(d.closingErrorSteps)) return [...lines, zeroLine(label)];
    const D = BigInt(d.divisions);
    return [
      ...lines,
      { label: 'repeated count', text: [`${whole(d.repeatedStep)}, the nearest whole one`], exact: true },
      {
        label: `${grouped(String(d.divisions))} of them`,
        text: [
          `${whole(D)} × ${whole(d.repeatedStep)} − `,
          ...mixed(N),
          ' = ',
          ...mixed(d.closingErrorSteps),
        ],
        exact: true,
      },
      {
        label: 'cut off instead',
        text: [
          `${whole(d.step.n / d.step.d)} each time: `,
          ...mixed(d.truncatedErrorSteps),
          ` = ${signedAngle(stepsToArcsec(d.truncatedErrorSteps, N))}`,
        ],
        exact: true,
      },
      ...inAngle('in the last gap', d.closingErrorSteps, divider),
      {
        label,
        text: [{ strong: signedAngle(arcsec) }, { unit: arcsec > 0 ? 'one thin tooth' : 'one thick tooth' }],
        exact: false,
      },
    ];
  });
}
