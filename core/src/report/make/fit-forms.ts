import {
  ballsIn,
  boltCircle,
  drawnFor,
  freeLocks,
  motorFaces,
  pivoted,
  screwLength,
  springN,
  warmth,
} from '../../make/index.ts';
import { threadAsWorm } from '../../teeth/index.ts';
import { field, short, type BenchForm } from '../force/bench-form.ts';

type Values = Readonly<Record<string, number>>;
const form = (
  id: string,
  title: string,
  message: string,
  fields: BenchForm['fields'],
  text: (v: Values) => string | null,
): BenchForm => ({
  id,
  title,
  message,
  fields,
  take: '',
  answer: (v) => {
    const says = text(v);
    return says === null ? null : { text: says, edits: [] };
  },
});

/** Reckonings of a minute for parts that have to fit. (handbook: make) */
export const fitForms: readonly BenchForm[] = [
  form(
    'print',
    'Print fit',
    'A coupon for each printer and material: what was drawn, what came out.',
    [
      field('wanted', 'Wanted', 'mm'),
      field('drawn', 'Coupon drawn', 'mm'),
      field('measured', 'Coupon measured', 'mm'),
    ],
    (v) => `draw ${drawnFor(v['wanted']!, v['drawn']!, v['measured']!).toFixed(2)} mm`,
  ),
  form(
    'shaft',
    'Shaft length',
    'Everything that sits on it, one after the other; set screws get a witness mark.',
    [
      field('bearings', 'Bearings', 'mm'),
      field('hubs', 'Hubs', 'mm'),
      field('collars', 'Collars', 'mm'),
      field('spacers', 'Spacers', 'mm'),
      field('travel', 'Travel', 'mm'),
      field('ends', 'Ends', 'mm'),
    ],
    (v) => `${short(Object.values(v).reduce((n, x) => n + x, 0))} mm`,
  ),
  form(
    'screw',
    'Screw length',
    'It goes 1 to 1.5 diameters into its thread, and less than the hole is deep.',
    [field('grip', 'Grips', 'mm'), field('diameter', 'Diameter', 'mm'), field('hole', 'Hole is deep', 'mm')],
    (v) => {
      const s = screwLength(v['grip']!, v['diameter']!);
      const most = v['grip']! + v['hole']!;
      return most <= s.leastMm
        ? `the hole is too shallow: ${short(v['diameter']!)} mm at least`
        : `${short(s.leastMm)} to ${short(Math.min(s.mostMm, most))} mm`;
    },
  ),
  form(
    'face',
    'Motor face',
    `Frames ${motorFaces.map((f) => f.frame).join(', ')}: pilot and holes.`,
    [field('frame', 'Frame', '', '17')],
    (v) => {
      const face = motorFaces.find((f) => f.frame === v['frame']);
      return face
        ? `pilot ${face.pilotMm} mm, holes ${face.squareMm} mm square, on a circle of ${boltCircle(face.squareMm).toFixed(2)} mm`
        : null;
    },
  ),
  form(
    'worm',
    'Worm from a thread',
    'A thread at hand against a wheel of another module.',
    [field('pitch', 'Thread pitch', 'mm'), field('module', 'Wheel’s module', 'mm', '1')],
    (v) => {
      const w = threadAsWorm(v['pitch']!, v['module']!);
      return `module ${w.moduleMm.toFixed(3)}, ${w.outMm.toFixed(3)} mm out each tooth; a trapezoid is ${short(w.trapezoidMm)} mm high`;
    },
  ),
  form(
    'warm',
    'Warmth',
    'Frame and wheels of two materials, in millionths a kelvin: brass 19, steel 12, printed 70, estimates.',
    [
      field('a', 'Frame', '10⁻⁶/K', '70'),
      field('b', 'Wheels', '10⁻⁶/K', '19'),
      field('k', 'Warmer by', 'K', '30'),
      field('c', 'Centre distance', 'mm'),
    ],
    (v) => {
      const w = warmth(v['a']!, v['b']!, v['k']!, v['c']!);
      return `${w.mm.toFixed(3)} mm ${w.mm < 0 ? 'closer' : 'apart'}, play ${w.playMm.toFixed(3)} mm; in frost it ${w.mm < 0 ? 'rattles' : 'may bind'}`;
    },
  ),
  form(
    'balls',
    'Bearing of balls',
    'How many go round a groove.',
    [field('ball', 'Ball', 'mm'), field('gap', 'Gap', 'mm'), field('circle', 'Circle', 'mm')],
    (v) => `at most ${ballsIn(v['ball']!, v['gap']!, v['circle']!)} balls`,
  ),
  form(
    'jack',
    'Jack and lock screws',
    'Opening: free the locks first by so much; closing: the jack first.',
    [
      field('turns', 'Jack opens', 'turns', '0.25'),
      field('jack', 'Its pitch', 'mm', '0.8'),
      field('lock', 'Locks’ pitch', 'mm', '0.7'),
    ],
    (v) => `free the locks by ${freeLocks(v['turns']!, v['jack']!, v['lock']!).toFixed(3)} turns`,
  ),
  form(
    'pivot',
    'Carrier on a pivot',
    'How far the mesh moves when the carrier swings.',
    [
      field('pivot', 'Pivot to wheel', 'mm'),
      field('arm', 'Pivot to motor', 'mm'),
      field('from', 'From', '°'),
      field('to', 'To', '°'),
    ],
    (v) => {
      const d = pivoted(v['pivot']!, v['arm']!, v['to']!) - pivoted(v['pivot']!, v['arm']!, v['from']!);
      return `${Math.abs(d).toFixed(3)} mm ${d < 0 ? 'closer' : 'apart'}, play ${(2 * Math.abs(d) * Math.tan(Math.PI / 9)).toFixed(3)} mm`;
    },
  ),
  form(
    'spring',
    'Sprung mesh',
    'The least that keeps teeth in mesh under a torque.',
    [field('torque', 'Torque', 'N·m'), field('radius', 'Pitch radius', 'mm')],
    (v) => `at least ${springN(v['torque']!, v['radius']!).toFixed(1)} N`,
  ),
];
