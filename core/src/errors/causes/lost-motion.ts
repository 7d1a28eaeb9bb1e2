import { knownPitch, lostMotion, stagePlay, type Stage } from '../../drive/index.ts';
import { knownFrom, termId, type Cause } from '../context.ts';
import type { ErrorTerm, TermField } from '../term.ts';

const ARCSEC_PER_TURN = 1_296_000;

/** Backlash of each stage, of the output's own nut or mesh, and a worm's end float. (handbook: errors, lost motion) */
export const backlash: Cause = ({ drive, k, reflect, from }) => {
  const { train } = drive;
  const lost = lostMotion(train);
  const row = (
    rest: Pick<ErrorTerm, 'cause' | 'stage' | 'shaft' | 'known' | 'arcsec'>,
    field: TermField,
    unit: string,
    amount: number | null,
    perUnit: number | null,
  ): ErrorTerm => ({
    ...rest,
    id: termId(field),
    kind: 'lostMotion',
    turnsPerOutputTurn: null,
    value: { field, unit, amount, perUnit },
  });
  const rows = train.stages.flatMap((stage, at): ErrorTerm[] => {
    if (at < from) return [];
    const turns = lost.byStage[at] ?? null;
    const angle = stage.playArcmin !== undefined;
    const key = angle || stage.playMm === undefined ? 'playArcmin' : 'playMm';
    const given = stage[key];
    const arcsec = turns === null ? null : turns * ARCSEC_PER_TURN;
    const own = { stage: at, shaft: at + 1 };
    const field = { of: 'stage', at, key } as const;
    const estimate = stagePlay(stage);
    const amount = given ?? (estimate ? estimate.turns * 21_600 : null);
    const float = (stage as { readonly endFloatMm?: number }).endFloatMm;
    const size = meshMm(stage);
    return [
      // a toothed belt has none: no row
      ...(arcsec === 0 && given === undefined
        ? []
        : [
            row(
              {
                ...own,
                cause: 'backlash',
                known: given === undefined ? (arcsec === null ? 'none' : 'estimate') : knownFrom(stage, key),
                arcsec,
              },
              field,
              key === 'playMm' ? 'mm' : '′',
              amount,
              arcsec === null || !amount ? null : arcsec / amount,
            ),
          ]),
      ...(float === undefined
        ? []
        : [
            row(
              {
                ...own,
                cause: 'end float',
                known: knownFrom(stage, 'endFloatMm'),
                arcsec: size === null ? null : ((2 * float) / size) * reflect(at + 1),
              },
              { of: 'stage', at, key: 'endFloatMm' },
              'mm',
              float,
              size === null ? null : (2 / size) * reflect(at + 1),
            ),
          ]),
    ];
  });
  const { output } = train;
  const byOutput = lost.byOutput === null ? null : lost.byOutput * ARCSEC_PER_TURN;
  if (byOutput === 0) return rows;
  const key = output.playArcmin !== undefined ? 'playArcmin' : 'playMm';
  const given = output[key];
  return [
    ...rows,
    row(
      {
        cause: 'backlash of the output',
        stage: null,
        shaft: k.shafts.length - 1,
        known: given === undefined ? 'none' : knownFrom(output, key),
        arcsec: byOutput,
      },
      { of: 'output', at: 0, key },
      key === 'playMm' ? 'mm' : '′',
      given ?? null,
      byOutput === null || !given ? null : byOutput / given,
    ),
  ];
};

/** Pitch diameter of a worm's wheel, mm. */
const meshMm = (stage: Stage): number | null =>
  stage.kind === 'worm' ? knownPitch(stage, stage.wheel) : null;
