import { exactly, decimal } from '../numbers/index.ts';
import { kinematics, kindOf, outputKindOf, pathOf, sourceKindOf, type Drive } from '../drive/index.ts';
import { ppmText, smallPicture, treeReport } from '../report/index.ts';
import { candidateOf, nameOf, type Told } from '../choose/index.ts';
import { listed, type Graded } from '../words/index.ts';
import { isAim } from './aims/index.ts';
import { axesOf } from './axes.ts';
import { isBuilt, mainOf } from './figures.ts';
import type { Proposed } from './proposed.ts';
import { offBy } from './trains.ts';

/** One drive that would do it, as it is told. */
export interface ProposalReport {
  readonly key: string;
  readonly title: string;
  /** what it brings, in a sentence or two */
  readonly brings: string;
  readonly rows: readonly { readonly label: string; readonly told: Told }[];
  readonly meets: boolean;
  readonly drive: Drive;
  readonly picture: (width: number, height: number) => ReturnType<typeof smallPicture>;
}

const plain = (note: string, graded: Graded | null = null): Told => ({ text: [], graded, note });
/** Said of one drive, so many of a kind at most. */
const FEW = 2;

const upper = (text: string): string => text.replace(/^./, (c) => c.toUpperCase());

function suitsOf({ train }: Drive): { readonly brings: readonly string[]; readonly asks: readonly string[] } {
  const own = train.stages.filter((s) => !s.kept);
  const kinds = [outputKindOf(train.output), ...own.map((s) => kindOf(s)), sourceKindOf(train.source)];
  const all = kinds.flatMap(({ suits }) => (suits ? [suits] : []));
  return {
    brings: [...new Set(all.map((s) => s.brings))].slice(0, FEW),
    asks: [...new Set(all.map((s) => s.asks))].slice(0, FEW),
  };
}

function titleOf(drive: Drive): string {
  const { output, source, stages } = drive.train;
  const kind = outputKindOf(output);
  const parts = [
    ...(kind.travel(output) !== null || kind.hinge ? [kind.title.toLowerCase()] : []),
    ...stages.filter((s) => !s.kept).map((s) => `${kindOf(s).short} ${kindOf(s).label(s)}`),
  ];
  if (parts.length > 0) return upper(parts.join(', '));
  return `${upper(sourceKindOf(source).short)} ${stages.length > 0 ? 'on the head' : 'on the work itself'}`;
}

const trainText = (stages: Drive['train']['stages']): string =>
  stages.map((s) => kindOf(s).label(s)).join(' · ') || '1 : 1';

/** Wheels for a ratio, or for the hands of a movement. */
function wheelsReport(proposed: Proposed): Pick<ProposalReport, 'title' | 'brings' | 'rows'> {
  const { drive, had, meets } = proposed;
  const betweens = treeReport(drive).between;
  const target = drive.find?.target;
  const graded = (word: string): Graded => ({ grade: meets ? 'rounded' : 'misses', word });
  const rows = betweens.map((b) => ({
    label: b.title,
    told: { text: b.figures.off.text, graded: b.graded, note: b.message },
  }));
  const off =
    target === undefined || betweens.length > 0
      ? null
      : offBy(kinematics(drive.train).reduction, exactly(target));
  const pairs = [drive.train.stages, ...(drive.others ?? []).map((t) => t.stages)].reduce(
    (n, s) => n + s.length,
    0,
  );
  return {
    title:
      betweens.length > 0
        ? `${pairs} pairs for ${betweens.length} ${betweens.length === 1 ? 'hand' : 'hands'}`
        : trainText(drive.train.stages),
    brings: (drive.others ?? []).map((t) => `${t.name}: ${trainText(t.stages)}.`).join(' '),
    rows: [
      ...(off
        ? [
            {
              label: 'off by',
              told: {
                text: [ppmText(off)],
                graded:
                  off.n === 0n
                    ? { grade: 'even' as const, word: 'Exact' }
                    : graded(meets ? 'Near enough' : 'Not near enough'),
              },
            },
          ]
        : rows),
      { label: 'wheels', told: plain(String(had.make)) },
    ],
  };
}

/** "motor of 200 at 1/16", "hand crank" */
const drivenBy = ({ train: { source } }: Drive): string =>
  (sourceKindOf(source).stops === 'mark' ? sourceKindOf(source).title : nameOf(source, [])).replace(
    /^./,
    (c) => c.toLowerCase(),
  );

function builtReport(proposed: Proposed): Pick<ProposalReport, 'title' | 'brings' | 'rows'> {
  const { drive, had, lacks } = proposed;
  const { aim } = drive.start ?? {};
  const main = isAim(aim) && isBuilt(aim) ? mainOf(aim, candidateOf(drive, had)) : null;
  const { brings, asks } = suitsOf(drive);
  const buy =
    had.buy === null
      ? `${listed(lacks)}, no price known`
      : had.buy.n === 0n
        ? had.make > 0
          ? 'nothing'
          : 'nothing, all on your shelf'
        : decimal(had.buy, 2);
  return {
    title: titleOf(drive),
    brings: brings.join(' '),
    rows: [
      ...(main ? [{ label: main.label, told: main.told }] : []),
      { label: 'driven by', told: plain(drivenBy(drive)) },
      ...axesOf(drive).map((at) => {
        const axis = pathOf(drive, at).drive;
        const name = drive.others![at - 1]!.name.toLowerCase();
        return { label: name, told: plain(`${titleOf(axis).toLowerCase()}, ${drivenBy(axis)}`) };
      }),
      { label: 'to buy', told: plain(buy) },
      {
        label: 'to make',
        told: plain(had.make === 0 ? 'no wheels' : `${had.make} ${had.make === 1 ? 'wheel' : 'wheels'}`),
      },
      ...(asks.length > 0 ? [{ label: 'asks of you', told: plain(asks.join('; ')) }] : []),
    ],
  };
}

/** A proposal with its figures as every page tells them. */
export function proposalReport(proposed: Proposed): ProposalReport {
  const { drive, meets } = proposed;
  const { aim } = drive.start ?? {};
  const told = isAim(aim) && isBuilt(aim) ? builtReport(proposed) : wheelsReport(proposed);
  // of hands the last that was made for, of axes the first
  const shown = drive.others && axesOf(drive).length === 0 ? pathOf(drive, drive.others.length).drive : drive;
  return {
    ...told,
    key: JSON.stringify([drive.train, drive.others]),
    meets,
    drive,
    picture: (width, height) => smallPicture(shown, width, height, 0),
  };
}
