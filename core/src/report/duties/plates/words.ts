import { abs, factors, mul, rational, toText, type Rational } from '../../../numbers/index.ts';
import {
  smallestCircle,
  sumOf,
  turnsOf,
  type CompoundMove,
  type Differential,
  type SimpleMove,
} from '../../../divide/index.ts';
import { type Figure, fraction, grouped, listed, mixed, plainText, type Rich } from '../../../words/index.ts';
import { figureOf, worked } from '../duty.ts';

const holesText = (n: number): string => `${n} ${Math.abs(n) === 1 ? 'hole' : 'holes'}`;

/** "8 holes on 19", "5 turns and 15 holes on 21" */
export function simpleText(m: SimpleMove): Rich {
  const turns = m.wholeTurns === 0 ? '' : `${m.wholeTurns} ${m.wholeTurns === 1 ? 'turn' : 'turns'}`;
  if (m.holes === 0) return [{ strong: turns || 'no move' }];
  return [
    turns && `${turns} and `,
    { strong: String(m.holes) },
    ` ${m.holes === 1 ? 'hole' : 'holes'} on `,
    { strong: String(m.circle) },
  ];
}

export const compoundText = ({ circles, holes }: CompoundMove): Rich => [
  { strong: String(holes[0]).replace('-', '−') },
  ` on `,
  { strong: String(circles[0]) },
  holes[1] < 0 ? ' less ' : ' and ',
  { strong: String(Math.abs(holes[1])) },
  ' on ',
  { strong: String(circles[1]) },
];

export const wheelsText = ({ drivers, driven }: Differential): string =>
  `${drivers.join(' × ')} : ${driven.join(' × ')}`;

export const differentialText = (d: Differential): Rich => [
  `as ${d.near}: `,
  ...simpleText(d.move),
  `, wheels ${wheelsText(d)}, the plate turns ${d.ratio.s < 0n ? 'against' : 'with'} the crank`,
];

export function movedFigure(
  worm: Rational,
  divisions: number,
  turns: Rational,
  move: SimpleMove | CompoundMove | null,
  wheels: Differential | null,
): Figure {
  const gap = worked(`one gap of ${divisions}`, [...fraction(turns), ' of a crank turn'], true);
  const key = `plates.${divisions}`;
  const q = smallestCircle(turns);
  if (move && 'circle' in move)
    return figureOf({
      key,
      label: 'each gap',
      value: toText(turns),
      text: simpleText(move),
      exact: true,
      from: [
        gap,
        worked(
          `circles that hold ${q}`,
          `${move.circle}${q === move.circle ? '' : `, ${move.circle / q} times ${q}`}`,
          true,
        ),
        worked(
          'holes to move',
          [...fraction(rational(move.holes, move.circle)), ` × ${move.circle} = ${move.holes}`],
          true,
        ),
        ...(move.holes === 0
          ? []
          : [
              worked(
                'sector arms over',
                `${move.holes} + 1 = ${move.holes + 1}, for both end holes count`,
                true,
              ),
            ]),
        worked('pin is back at 0', `after ${grouped(turns.d.toString())} gaps`, true),
        worked(
          `all ${divisions} together`,
          [
            `${divisions} × `,
            ...fraction(turns),
            ' = ',
            ...mixed(sumOf(move, divisions)),
            ' turns, one turn of the work',
          ],
          true,
        ),
      ],
    });
  if (move)
    return figureOf({
      key,
      label: 'each gap',
      value: toText(turns),
      text: compoundText(move),
      exact: true,
      from: [
        gap,
        worked('on two circles', [...sumText(move), ' = ', ...fraction(turns)], true),
        worked(
          `all ${divisions} together`,
          [
            `${divisions} × (`,
            ...sumText(move),
            ') = ',
            ...mixed(sumOf(move, divisions)),
            ' turns, one turn of the work',
          ],
          true,
        ),
      ],
    });
  if (wheels)
    return figureOf({
      key,
      label: 'each gap',
      value: toText(turns),
      text: differentialText(wheels),
      exact: true,
      from: [
        gap,
        worked(`as ${wheels.near}`, [...fraction(turnsOf(worm, wheels.near)), ' of a crank turn'], true),
        worked(
          'plate for one turn of the spindle',
          [`W × (${wheels.near} − ${divisions}) ÷ ${wheels.near} = `, ...mixed(wheels.ratio)],
          true,
        ),
        worked('wheels', wheelsText(wheels), true),
        worked(
          `all ${divisions} together`,
          [
            ...mixed(mul(rational(divisions), turnsOf(worm, wheels.near))),
            wheels.ratio.s < 0n ? ' less ' : ' and ',
            ...mixed(abs(wheels.ratio)),
            ' turns of the plate are ',
            ...mixed(worm),
          ],
          true,
        ),
      ],
    });
  return figureOf({
    key,
    label: 'circle to make',
    value: String(q),
    text: [{ strong: String(q) }, ` or ${2 * q} holes`],
    exact: true,
    from: [
      gap,
      worked(
        'in lowest terms',
        `${q} below the line: ${listed([...factors(BigInt(q)).keys()].map(String))} must be in the circle`,
        true,
      ),
    ],
  });
}

const sumText = ({ circles, holes }: CompoundMove): Rich => [
  ...fraction(rational(holes[0], circles[0])),
  holes[1] < 0 ? ' − ' : ' + ',
  ...fraction(rational(Math.abs(holes[1]), circles[1])),
];

/** What is done at each division. Two circles want both pins. */
export function procedure(
  turns: Rational,
  one: SimpleMove | null,
  two: CompoundMove | null,
  wheels: Differential | null,
): readonly string[] {
  if (one) {
    if (one.holes === 0)
      return [`Turn the crank ${one.wholeTurns} times and drop the pin in the hole it came from.`];
    return [
      `Set the sector arms over ${one.holes + 1} holes of the ${one.circle} circle: ${holesText(one.holes)} and the one the pin is in.`,
      `Draw the pin, turn the crank ${one.wholeTurns === 0 ? '' : `${one.wholeTurns} whole ${one.wholeTurns === 1 ? 'turn' : 'turns'} and then `}to the far arm, drop the pin.`,
      'Bring the arms round to the pin before the next cut.',
      'Always come to the hole from the same side; if you pass it, go back a good part of a turn and come again.',
    ];
  }
  if (two) {
    const [[h1, h2], [n1, n2]] = [two.circles, two.holes];
    const way = (n: number): string => (n > 0 ? 'forward' : 'back');
    return [
      `Crank pin on the ${h1} circle, the back pin holds the plate on the ${h2} circle.`,
      `Draw the crank pin and turn it ${way(n1)} ${holesText(Math.abs(n1))} on ${h1}; drop it.`,
      `Draw the back pin and turn crank and plate together ${way(n2)} ${holesText(Math.abs(n2))} on ${h2}; drop it.`,
      'Come to both holes from the same side each time, and clamp before cutting.',
    ];
  }
  if (wheels)
    return [
      `Wheels from spindle to plate: ${wheelsText(wheels)} (drivers : driven)${wheels.ratio.s < 0n ? ', with one idler more, so that the plate turns against the crank' : ''}.`,
      `Free the plate from its stop and move as for ${wheels.near}, each time ${plainText(simpleText(wheels.move))}:`,
      ...procedure(turns, wheels.move, null, null),
    ];
  return [`Make a circle of ${smallestCircle(turns)} holes, or a multiple.`];
}
