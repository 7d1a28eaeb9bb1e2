import { dutyWords } from './duty-words.ts';
import type { Told, Words } from './refusal-told.ts';
import { forceWords } from './force-words.ts';
import { trainWords } from './train-words.ts';

const eg = (t: Told, otherwise: string): string => `for example ${t.example ?? otherwise}`;
const units = (t: Told): string => (t.unit ? ` ${t.unit}` : '');

/** Every way to be refused, in words. One line a code; the codes are read off this table. */
export const refusalWords = {
  empty: { message: () => 'nothing is written here', cure: (t) => `write a value, ${eg(t, '90')}` },
  tooLong: {
    message: (t) => `the text is longer than ${t.limit ?? '2000'} characters`,
    cure: () => 'shorten it, or write runs as ranges such as 60-95',
  },
  notNumber: {
    message: (t) => `${t.given} is not a number`,
    cure: (t) => `write digits, with a point for decimals, ${eg(t, '76')}`,
  },
  doubtfulComma: {
    message: (t) =>
      `${t.given} can be ${t.limit ?? 'a thousand and more'} or ${t.example ?? 'one and a bit'}`,
    cure: (t) => `write ${t.limit ?? '1200'}, or ${t.example ?? '1.2'} with a point`,
  },
  exponent: {
    message: (t) => `${t.given} is written with an exponent`,
    cure: () => 'write the number out in digits, so that it stays exact',
  },
  notWhole: {
    message: (t) => `${t.given} is not a whole count`,
    cure: (t) =>
      t.unit === 'divisions'
        ? `half a tooth cannot be cut; write the count of the full turn, ${eg(t, '25')}`
        : `write a whole number${units(t)}, ${eg(t, '90')}`,
  },
  zero: {
    message: () => 'it must not be 0',
    cure: (t) => `write a number above 0, ${eg(t, '60')}`,
  },
  negative: {
    message: (t) => `${t.given} is negative`,
    cure: (t) => `write a number above 0, ${eg(t, '60')}`,
  },
  backwards: {
    message: (t) => `${t.given} runs backwards`,
    cure: (t) => `write the smaller count first, ${eg(t, '60-63')}`,
  },
  tooMany: {
    message: (t) => `${t.given} asks for more than ${t.limit ?? '5000'} counts`,
    cure: () => 'ask for fewer at a time',
  },
  tooLarge: {
    message: (t) => `${t.given} is above ${t.limit ?? 'the limit'}${units(t)}`,
    cure: (t) => `write at most ${t.limit ?? 'the limit'}`,
  },
  manyStages: {
    message: (t) => `${t.given} stages are gone through only for a ratio from wheels of one kind and size`,
    cure: (t) => `choose up to ${t.limit ?? '4'}, or ask for a ratio of one kind of wheels`,
  },
  tooSmall: {
    message: (t) => `${t.given} is below ${t.limit ?? 'the limit'}${units(t)}`,
    cure: (t) => `write at least ${t.limit ?? 'the limit'}`,
  },
  zeroDenominator: {
    message: (t) => `${t.given} divides by 0`,
    cure: (t) => `write a number other than 0 below the line, ${eg(t, '76/20')}`,
  },
  notRatio: {
    message: (t) => `${t.given} cannot be read as a ratio`,
    cure: () => 'write 5:1, 20:76, 76/20, 13 8/11 or 13.7272',
  },
  notDivisions: {
    message: (t) => `${t.given} cannot be read as a count`,
    cure: () => 'write counts, ranges and products, for example 55, 60-63, 2x36',
  },
  unknownUnit: {
    message: (t) => `${t.given} has a unit that is not known here`,
    cure: (t) => `write it with ${t.unit ?? 'a known unit'}${t.example ? `, for example ${t.example}` : ''}`,
  },
  notAngle: {
    message: (t) => `${t.given} cannot be read as an angle`,
    cure: () => 'write 15″, 54′, 0.9° or 1° 30′ 15″',
  },
  notLength: {
    message: (t) => `${t.given} cannot be read as a length`,
    cure: () => 'write 30 mm, 0.02 mm, 5 µm or 1/8 in',
  },
  notModes: {
    message: (t) => `${t.given} cannot be read as microsteps`,
    cure: () => 'write the modes of the driver, for example 1, 2, 4, 8, 16, 32',
  },
  notAMode: {
    message: (t) => `${t.given} microsteps a step is not one of the driver's modes`,
    cure: (t) => `choose one of ${t.limit ?? 'its modes'}`,
  },
  noRadius: {
    message: () => 'a tolerance as a length needs the radius it is measured at',
    cure: () => 'write the radius, for example 30 mm',
  },
  notAChoice: {
    message: (t) => `${t.given} is not one of the choices`,
    cure: (t) => `choose one of ${t.limit ?? 'them'}`,
  },
  noName: { message: () => 'a drive needs a name', cure: () => 'write one, for example Tide dial' },
  sameTeeth: {
    message: (t) => `a ring of ${t.limit ?? 'as many'} teeth and a wheel of ${t.given} cannot mesh`,
    cure: () => 'give the ring more teeth than the wheel inside it',
  },
  notRange: {
    message: (t) => `${t.given} is not a from and a to`,
    cure: (t) => `write both with a dash between, ${eg(t, '12-127')}`,
  },
  notTwo: {
    message: (t) => `${t.given} is not two counts with a colon between`,
    cure: (t) => `write them so, ${eg(t, '1:50')}`,
  },
  tooManySets: {
    message: (t) => `wheels of ${t.given} are more than ${t.limit ?? '4000000'} sets`,
    cure: () => 'ask for fewer wheels or fewer pairs',
  },
  notPair: {
    message: (t) => `${t.given} is not a pair of wheels`,
    cure: () => 'write driver and driven teeth, for example 9:32',
  },
  tooManyPairs: {
    message: (t) => `more than ${t.limit ?? '12'} pairs are too many for one box`,
    cure: () => 'put the rest into a second box',
  },
  noRatio: {
    message: () => 'a box needs its tooth pairs or the ratio printed on it',
    cure: () => 'write one of them, for example 9:28, 10:27 or 45:1',
  },
  ringTooSmall: {
    message: (t) => `a ring of ${t.given} teeth does not go around a sun of ${t.limit ?? 'as many'}`,
    cure: () => 'give the ring at least two teeth more than the sun',
  },
  sameMember: {
    message: (t) => `the ${t.given} cannot be two of fixed, driven and driver at once`,
    cure: () => 'fix one of sun, ring and carrier, drive the second and take the third out',
  },
  standsStill: {
    message: () => 'with these teeth the output stands still whatever the motor does',
    cure: () => 'change one of the four counts by a tooth',
  },
  asManyPins: {
    message: (t) => `with as many pins as lobes (${t.given}) the disc does not turn`,
    cure: () => 'give it one pin more than lobes',
  },
  rigidTooSmall: {
    message: (t) =>
      `a rigid ring of ${t.given} teeth does not go around a flexible one of ${t.limit ?? 'as many'}`,
    cure: () => 'the rigid ring has two teeth more, for example 200 and 202',
  },
  sunOutside: {
    message: () => 'an input sun needs the fixed wheel to be a ring',
    cure: () => 'set the fixed mesh to inner, or take the sun away',
  },
  restsInMove: {
    message: (t) =>
      `the Geneva of ${t.given} comes to rest while the next one, of ${t.limit ?? 'more slots'}, is moving`,
    cure: () =>
      'give the stages between them a ratio that lets the second one rest each time, or leave one out',
  },
  noTravel: {
    message: (t) => `${t.given} cannot be read as a move`,
    cure: () => 'write lengths, for example 1 mm, 1/8 in, 2π mm',
  },
  limitBackwards: {
    message: (t) => `the limits ${t.given} leave no room to turn`,
    cure: () => 'write how far back and how far forth, for example 0 and 1',
  },
  noSuchShaft: {
    message: (t) => `there is no shaft ${t.given}`,
    cure: (t) => `the shafts are 0 to ${t.limit ?? 'the last'}`,
  },
  noEncoder: { message: () => 'this drive has no encoder', cure: () => 'add one first' },
  noSuchStage: {
    message: (t) => `there is no stage ${t.given}`,
    cure: (t) => `the train has ${t.limit ?? 'fewer'}`,
  },
  tooManyStages: {
    message: (t) => `a train holds at most ${t.limit ?? '40'} stages`,
    cure: () => 'put some of them into one fixed ratio',
  },
  fileTooBig: {
    message: (t) => `the file is larger than ${t.limit ?? '20 MB'}`,
    cure: () => 'a Pendrix file is far smaller; choose another',
  },
  fileEmpty: {
    message: () => 'the file is empty',
    cure: () => 'choose a file whose name ends in .pendrix.json',
  },
  tooDeep: {
    message: (t) => `the file is nested deeper than ${t.limit ?? '60'} brackets`,
    cure: () => 'no file of Pendrix is; choose another',
  },
  fileNotText: {
    message: () => 'the file is not text but an archive, a picture or a program',
    cure: () => 'unpack it first, or choose a file whose name ends in .pendrix.json',
  },
  fileIsPage: {
    message: () => 'the file is a web page',
    cure: () => 'save the file itself, not the page that shows it',
  },
  brokenJson: {
    message: (t) => `the text breaks off or is not JSON there${t.given ? `, at ${t.given}` : ''}`,
    cure: () => 'export it again, or mend that line',
  },
  notPendrix: {
    message: () => 'the file is JSON but not a Pendrix file',
    cure: () => 'its "format" must be "pendrix-drive" or "pendrix-workshop"',
  },
  wrongFormat: {
    message: (t) => `a file of format ${t.given} cannot be used here`,
    cure: (t) => `choose one of format ${t.limit ?? 'pendrix-drive'}`,
  },
  newerVersion: {
    message: (t) =>
      `the file is of version ${t.given}, newer than the ${t.limit ?? '1'} that is understood here`,
    cure: () => 'update Pendrix, then open it',
  },
  missing: {
    message: () => 'something that is needed is missing',
    cure: (t) => `write it, ${eg(t, '90')}`,
  },
  notText: {
    message: (t) => `${t.given} is not text`,
    cure: (t) => `put it in quotes, ${eg(t, '"60, 73"')}`,
  },
  notObject: { message: (t) => `${t.given} is not an object in braces`, cure: () => 'put { … } there' },
  notList: { message: (t) => `${t.given} is not a list in brackets`, cure: () => 'put [ … ] there' },
  notFinite: {
    message: (t) => `${t.given} is too large for a number`,
    cure: () => 'write a finite number',
  },
  inexact: {
    message: (t) => `${t.given} is a binary fraction and so not exact`,
    cure: (t) => `put it in quotes, ${eg(t, '"0.9"')}`,
  },
  notExact: {
    message: (t) => `${t.given} is not an exact number`,
    cure: (t) => `write digits, a decimal or a fraction in quotes, ${eg(t, '"76/20"')}`,
  },
  unknownKind: {
    message: (t) => `the kind ${t.given} is not known to this version`,
    cure: (t) => `the kinds known are ${t.limit ?? ''}`,
  },
  badValue: { message: (t) => `${t.given} is not allowed there`, cure: () => 'see docs/formats.md' },
  noFile: { message: (t) => `the file ${t.given} cannot be read`, cure: () => 'check its name' },
  noWrite: { message: (t) => `the file ${t.given} cannot be written`, cure: () => 'check the folder' },
  noCommand: {
    message: (t) => (t.given ? `there is no command ${t.given}` : 'a command is wanted'),
    cure: (t) => `the commands are ${t.limit ?? ''}`,
  },
  noOption: {
    message: (t) => `there is no option ${t.given} here`,
    cure: (t) => `the options are ${t.limit ?? ''}`,
  },
  needsOption: { message: (t) => `${t.given} is missing`, cure: (t) => `write it, ${eg(t, '')}` },
  twice: { message: (t) => `${t.given} is given twice`, cure: () => 'write it once' },
  tooManyRows: {
    message: (t) => `${t.given} rows are too many for one sheet`,
    cure: (t) => `ask for at most ${t.limit ?? '100000'} divisions`,
  },
  unknownEdit: { message: (t) => `the edit ${t.given} is not known`, cure: () => 'reload the page' },
  storageFull: {
    message: () => 'the browser has no room left, so the last changes are not stored',
    cure: () => 'back up all, then free some space; the next change tries again',
  },
  storageBlocked: {
    message: () => 'the browser does not let Pendrix store anything here',
    cure: () => 'leave private browsing, or back up all before you close the page',
  },
  storageFailed: {
    message: (t) => `the browser's database did not take the last changes${t.given ? ` (${t.given})` : ''}`,
    cure: () => 'back up all and reload the page',
  },
  storageSlow: {
    message: () => "the browser's database has not answered yet",
    cure: () => 'wait: what you made is shown, and what you do here stored, as soon as it answers',
  },
  nothingThere: {
    message: () => 'there is nothing to back up: no drive and no line of the shelf could be read',
    cure: () => 'import a file, or make a drive first',
  },
  storageHeld: {
    message: () => 'another tab holds an older Pendrix open',
    cure: () => 'close or reload that tab; this one goes on by itself',
  },
  storageNewer: {
    message: () => 'a newer Pendrix has used what is stored here, so nothing is written into it',
    cure: () => 'reload this page to go on with the newer one',
  },
  ...trainWords,
  ...forceWords,
  ...dutyWords,
} as const satisfies Record<string, Words>;
