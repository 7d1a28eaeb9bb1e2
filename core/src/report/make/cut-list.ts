import { moduleOf, type Drive, type ModuleFrom } from '../../drive/index.ts';
import { madeWheels } from '../../make/index.ts';
import { blankOf, meshesOf, pinsOf, spanOf, threadCutBlank, wormOf } from '../../teeth/index.ts';
import { trimmed } from '../../words/index.ts';
import { cutterOf, wheelReports } from './wheels.ts';

/** Wheels of the work as a table for paper. */
export const WORK_HEAD = ['teeth', 'blank', 'cutter', 'depth after each pass', 'measure'] as const;

export const workRows = (drive: Drive): readonly (readonly string[])[] =>
  wheelReports(drive)
    .filter((w) => w.wheel.stage === null)
    .map((w) => w.of())
    .map((w) => [
      String(w.wheel.teeth),
      w.refusal ?? w.blank.map((b) => `${b.label} ${b.text}`).join('; '),
      w.cutter ? `${w.cutter.range} (A ${w.cutter.customA}, B ${w.cutter.customB})` : w.cutterMessage,
      w.passes.map((p) => p.depth).join(', '),
      w.measure.map((m) => `${m.label} ${m.text}`).join('; '),
    ]);

/** The head of the cut list. (docs: formats) */
export const WHEEL_HEAD = [
  'wheel',
  'teeth',
  'outside (mm)',
  'root (mm)',
  'depth (mm)',
  'thickness (mm)',
  'shift',
  'span teeth',
  'span (mm)',
  'pins (mm)',
  'over pins (mm)',
  'cutter range',
  'cutter custom A',
  'cutter custom B',
  'module (mm)',
  'module from',
  'helix (deg)',
  'distance (mm)',
] as const;

const short = (n: number): string => trimmed(n, 4);

/** Where a module comes from, as the cut list writes it. */
const FROM = {
  typed: 'given',
  diametralPitch: 'diametral pitch',
  thread: 'thread',
  assumed: 'assumed',
} as const satisfies Record<ModuleFrom, string>;

/** Rows of the cut list: wheels with teeth of their own; pulleys have theirs under belts. */
export const wheelRows = (drive: Drive, only?: number): readonly (readonly string[])[] =>
  madeWheels(drive)
    .filter((w) => w.as !== 'pulley' && (only === undefined || w.number === only))
    .map((w) => {
      const head = [String(w.number), String(w.teeth)];
      const { gear } = w;
      const stage = drive.train.stages[w.stage!]!;
      const mates = meshesOf(stage).filter(({ a, b }) => a.gear === gear || b.gear === gear);
      const apart = w.as === 'wormWheel' ? wormOf(stage)?.distanceMm : mates[0]?.mesh?.distanceMm;
      const distance = apart === undefined ? '' : short(apart);
      if (!gear) {
        const b = threadCutBlank(w.threadPitchMm!, w.teeth);
        const m = moduleOf(stage);
        return [
          ...[...head, short(b.outsideMm), '', short(b.depthMm), ...Array<string>(9).fill('')],
          ...[short(m.mm), FROM[m.from], '', distance],
        ];
      }
      const b = blankOf(gear);
      const span = gear.inner ? null : spanOf(gear);
      const pins = gear.inner ? null : pinsOf(gear);
      const cutter = cutterOf(gear);
      return [
        ...head,
        short(b.outsideMm),
        short(b.rootMm),
        short(b.depthMm),
        short(b.thicknessMm - gear.playMm),
        short(gear.shift),
        span ? String(span.teeth) : '',
        span ? short(span.mm) : '',
        pins ? short(pins.pinMm) : '',
        pins ? short(pins.mm) : '',
        cutter ? cutter.range.replace('–', '-') : '',
        cutter ? String(cutter.customA) : '',
        cutter ? String(cutter.customB) : '',
        short(gear.moduleMm),
        FROM[gear.moduleFrom],
        gear.helixDeg > 0 ? short(gear.helixDeg) : '',
        distance,
      ];
    });
