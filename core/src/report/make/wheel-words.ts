import { moduleOf, type Drive } from '../../drive/index.ts';
import type { MadeWheel } from '../../make/index.ts';
import { leadMm, leastTeeth, normalModule, undercutLimit, wormOf } from '../../teeth/index.ts';
import { measured } from '../../words/index.ts';

const mm = (n: number, places = 3): string => n.toFixed(places);

/** What is said of slanted teeth: their hand, their mate's, and the cutter that goes along them. */
function helixMessage({ helix, gear, as }: MadeWheel): readonly string[] {
  if (helix === null || gear === null) return [];
  const along = `square to the teeth its module is ${measured(normalModule(gear))}, that of its cutter; lead ${mm(leadMm(gear), 2)} mm, the table swivelled ${measured(helix.deg)}°`;
  if (helix.hand === 'herringbone')
    return [`Herringbone, ${measured(helix.deg)}°: two mirrored halves; ${along}.`];
  const mate = as === 'ring' ? helix.hand : helix.hand === 'right' ? 'left' : 'right';
  return [
    `${helix.hand === 'right' ? 'Right' : 'Left'} hand, ${measured(helix.deg)}°; ${as === 'ring' ? 'the wheel in it' : 'its mate'} is of the ${mate} hand (a ring of its wheel’s own); ${along}.`,
  ];
}

/** The worm that a wheel is cut for, in a sentence: it is turned, not cut with it. */
function wormMessage(drive: Drive, wheel: MadeWheel): readonly string[] {
  const stage = wheel.stage === null ? null : drive.train.stages[wheel.stage]!;
  const worm = stage && wheel.as === 'wormWheel' ? wormOf(stage) : null;
  return worm
    ? [
        `Its worm: outside ${mm(worm.outsideMm)}, pitch circle ${mm(worm.pitchMm)}, root ${mm(worm.rootMm)}, lead ${mm(worm.leadMm)} mm, thread at least ${mm(worm.lengthMm, 1)} mm long; swivel the gashes by ${mm(worm.leadDeg, 2)}°.`,
      ]
    : [];
}

/** What its shift is and why. (handbook: make, one wheel) */
function shiftMessage({ gear, shiftFrom, teeth }: MadeWheel): readonly string[] {
  if (!gear) return [];
  const least = leastTeeth(gear);
  const limit = gear.helixDeg > 0 ? mm(undercutLimit(gear), 1) : String(least);
  const short = !gear.inner && teeth < least;
  const x = measured(gear.shift);
  const why =
    shiftFrom === 'givenBack'
      ? [`A shift of ${x} gives back what its mate takes, so that the distance stays.`]
      : shiftFrom === 'closes'
        ? [
            gear.inner
              ? `A shift of ${x} is taken so that it fits the wheel in it at one distance.`
              : `A shift of ${x} is taken so that both distances of the set are one.`,
          ]
        : [];
  if (!short) return why;
  return [
    gear.shift > 0
      ? `From ${limit} teeth on a root stays whole at ${gear.alphaDeg}°; with ${teeth} a shift of ${x} keeps it so${shiftFrom === 'taken' ? ', and is taken' : ''}.`
      : `From ${limit} teeth on a root stays whole at ${gear.alphaDeg}°; with ${teeth} it is undercut.`,
    ...why,
  ];
}

/** Where its module comes from, where nobody typed it. */
function moduleMessage(drive: Drive, wheel: MadeWheel): readonly string[] {
  const stage = wheel.stage === null ? null : drive.train.stages[wheel.stage]!;
  const from =
    wheel.gear?.moduleFrom ?? (stage && wheel.threadPitchMm !== null ? moduleOf(stage).from : 'typed');
  return from === 'assumed'
    ? [
        `Module ${measured(wheel.gear?.moduleMm ?? 1)} mm is assumed, nobody gave it: every size here goes by it.`,
      ]
    : [];
}

/** What a maker should know of a wheel, in sentences. */
export function wheelMessages(drive: Drive, wheel: MadeWheel): readonly string[] {
  const { gear } = wheel;
  return [
    ...moduleMessage(drive, wheel),
    ...shiftMessage(wheel),
    ...(gear && gear.trimMm > 0
      ? [`Its tips are taken back by ${mm(gear.trimMm)} mm, so that they clear the root of the wheel in it.`]
      : []),
    ...helixMessage(wheel),
    ...(gear && gear.playMm > 0
      ? [`Teeth are thinned by ${measured(gear.playMm)} mm, their half of the backlash.`]
      : []),
    ...(wheel.as === 'wormWheel' && gear
      ? ['Depth equal all round, the cutter centred both ways; a hob of the worm’s own form finishes it.']
      : []),
    ...wormMessage(drive, wheel),
  ];
}
