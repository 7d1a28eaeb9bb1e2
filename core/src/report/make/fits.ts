import { decimal } from '../../numbers/index.ts';
import { arborPlan } from '../../arbors/index.ts';
import type { Drive } from '../../drive/index.ts';
import {
  boltCircle,
  fittedShafts,
  frameOf,
  madeWheels,
  motorFaces,
  NOZZLES,
  partsCost,
  partsList,
  tooFine,
  type FittedShaft,
  type OnShaft,
  type PartLine,
} from '../../make/index.ts';
import { partLabel, type ShelfPart } from '../../shelf/index.ts';
import { counted, listed, measured, trimmed } from '../../words/index.ts';

/** A shaft with all that has to fit it, in words. */
export interface ShaftFitReport {
  readonly name: string;
  readonly diameter: string;
  readonly sits: readonly string[];
  readonly wants: string;
  readonly length: string;
  /** what does not agree on it; null where all does */
  readonly trouble: string | null;
}

/** A line of the parts list in words; what is not known is a dash. */
export interface PartRow {
  readonly what: string;
  readonly size: string;
  readonly need: string;
  readonly shelf: string;
  readonly have: string;
  readonly lack: number;
  readonly price: string;
  readonly instead: string;
}

export interface FitReport {
  readonly shafts: readonly ShaftFitReport[];
  /** what does not agree beyond a single shaft, what prints too fine */
  readonly troubles: readonly string[];
  readonly notes: readonly string[];
  readonly parts: readonly PartRow[];
  readonly costs: string;
}

/** As it was written: a bore of 8 is 8. */
const flat = (n: number): string => trimmed(n, 3);
const mm = (n: number): string => `${flat(n)} mm`;

const handText = ({ helix }: OnShaft): string =>
  helix === null
    ? ''
    : helix.hand === 'herringbone'
      ? `, herringbone ${measured(helix.deg)}°`
      : `, ${helix.hand} hand ${measured(helix.deg)}°`;

function shaftReport(shaft: FittedShaft): ShaftFitReport {
  const { diameterMm, sits, clashes, flats, collars, bearings, facesMm, unknownFaces } = shaft;
  const wants = [
    bearings === 0 ? 'its own bearings' : counted(bearings, 'bearing'),
    ...(collars === 0 ? [] : [counted(collars, 'collar')]),
    `${counted(flats, 'flat')} for set screws`,
  ];
  return {
    name: shaft.name,
    diameter: diameterMm === null ? '–' : flat(diameterMm),
    sits: sits.map((s) => `${s.label}${s.boreMm === null ? '' : `, bore ${flat(s.boreMm)}`}${handText(s)}`),
    wants: listed(wants),
    length:
      facesMm === 0
        ? 'faces not known yet'
        : `${flat(facesMm)} of faces${unknownFaces > 0 ? ` and ${unknownFaces} not known` : ''}, and bearings, collars, ends`,
    trouble:
      clashes.length === 0
        ? null
        : `${listed(clashes.map((c) => `${c.label} is bored ${mm(c.boreMm!)}`))} on a shaft of ${mm(diameterMm!)}: bore it out, sleeve it, or turn the shaft down.`,
  };
}

/** Pairs on the same two arbors that want different distances. (handbook: make, round trip) */
function distanceTroubles(drive: Drive): readonly string[] {
  const plan = arborPlan(drive);
  return plan.disagreements.map((d) => {
    const [a, b] = [plan.arbors[d.a]!.name, plan.arbors[d.b]!.name];
    const wants = d.meshes.map((m) => `${plan.meshes[m.mesh]!.label} ${mm(m.mm)}`);
    return `Between arbors ${a} and ${b} ${listed(wants)} do not agree, by ${mm(d.mm)}: shift a profile, or change a pair; the arbor plan has the cures.`;
  });
}

/** Usual nozzle while nobody has said. */
const NOZZLE_MM = 0.4;
/** How good a printer has to be for run-out and fit. */
const GOOD_MM = 0.1;

function printTroubles(drive: Drive): readonly string[] {
  const { stages } = drive.train;
  const nozzle = drive.printer?.nozzleMm ?? NOZZLE_MM;
  const printed = madeWheels(drive).filter((w) => w.stage !== null && stages[w.stage]!.quality === 'printed');
  if (printed.length === 0) return [];
  const fine = printed.flatMap((w) => {
    const found = tooFine(w, nozzle);
    return found
      ? [
          `Wheel ${w.number} (${w.label} ${w.teeth}): its ${found.what} of ${mm(found.mm)} is under ${NOZZLES} widths of a nozzle of ${mm(nozzle)}, ${mm(found.leastMm)}.`,
        ]
      : [];
  });
  const worms = printed.some((w) => w.as === 'wormWheel')
    ? ['A worm prints badly: buy it, or cut it from a thread; its wheel may be printed.']
    : [];
  const rough =
    (drive.printer?.runoutMm ?? GOOD_MM) > GOOD_MM
      ? [
          `Run-out and fit want a printer good to about ${mm(GOOD_MM)}; this one holds ${mm(drive.printer!.runoutMm!)}.`,
        ]
      : [];
  return [...fine, ...worms, ...rough];
}

function notesOf(drive: Drive, shelf: readonly ShelfPart[]): readonly string[] {
  const motor = shelf.find((p) => p.id === drive.train.source.partId);
  const flange = motor?.kind === 'motor' ? motor.flangeMm : undefined;
  const face = motorFaces.find((f) => flange !== undefined && f.frame === frameOf(flange));
  const { couponDrawnMm, couponMeasuredMm } = drive.printer ?? {};
  const printed = drive.train.stages.some((s) => s.quality === 'printed');
  return [
    ...(face
      ? [
          `Motor face, frame ${face.frame}: pilot ${face.pilotMm}, holes ${face.squareMm} mm square (circle ${measured(boltCircle(face.squareMm))}), screws of ${face.screwMm}. Measure yours before you drill.`,
        ]
      : []),
    ...(madeWheels(drive).some((w) => w.helix !== null && w.helix.hand !== 'herringbone')
      ? ['Slanted wheels go in mirror pairs: mark the hand on each before it leaves the machine.']
      : []),
    ...(printed && couponDrawnMm !== undefined && couponMeasuredMm !== undefined
      ? [
          `Bores of printed wheels are drawn ${mm(couponDrawnMm - couponMeasuredMm)} larger, by the coupon of ${drive.printer?.name || 'this printer'}.`,
        ]
      : []),
    ...(printed
      ? ['Printed wheels and brackets creep and soften in the sun: check them after a hot day.']
      : []),
  ];
}

const partRow = (l: PartLine): PartRow => ({
  what: l.what,
  size: l.size,
  need: String(l.need),
  shelf: l.part ? partLabel(l.part) : '–',
  have: String(l.have),
  lack: l.lack,
  price: l.price ? decimal(l.price, 2) : '–',
  instead: l.instead.join('; '),
});

/** What has to fit, and what it is built of; of a train that hangs on another, beyond the stages that it shares. (handbook: make, fit list) */
export function fitReport(
  drive: Drive,
  shelf: readonly ShelfPart[],
  shared: number | null = null,
): FitReport {
  const parts = partsList(drive, shelf, shared);
  const { all, toBuy, unknown } = partsCost(parts);
  return {
    shafts: fittedShafts(drive, shared).map(shaftReport),
    troubles: [...distanceTroubles(drive), ...printTroubles(drive)],
    notes: notesOf(drive, shelf),
    parts: parts.map(partRow),
    costs: `All of it ${decimal(all, 2)}, of that to buy ${decimal(toBuy, 2)}${unknown > 0 ? `, without the ${counted(unknown, 'line')} that ${unknown === 1 ? 'has' : 'have'} no price` : ''}.`,
  };
}

/** The head of the parts list. (docs: formats) */
export const PARTS_HEAD = [
  'part',
  'size',
  'need',
  'on the shelf',
  'have',
  'lack',
  'price',
  'instead',
] as const;

export const partsRows = (
  drive: Drive,
  shelf: readonly ShelfPart[],
  shared: number | null = null,
): readonly (readonly string[])[] =>
  fitReport(drive, shelf, shared).parts.map((p) => [
    p.what,
    p.size,
    p.need,
    p.shelf === '–' ? '' : p.shelf,
    p.have,
    String(p.lack),
    p.price === '–' ? '' : p.price,
    p.instead,
  ]);

/** The head of the fit list. */
export const FIT_HEAD = ['shaft', 'diameter (mm)', 'on it', 'wants', 'length (mm)', 'trouble'] as const;

export const fitRows = (drive: Drive, shared: number | null = null): readonly (readonly string[])[] =>
  fitReport(drive, [], shared).shafts.map((s) => [
    s.name,
    s.diameter === '–' ? '' : s.diameter,
    s.sits.join('; '),
    s.wants,
    s.length,
    s.trouble ?? '',
  ]);
