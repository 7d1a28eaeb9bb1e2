/** What is wrong, as a maker would say it. (handbook: make, when it does not work) */
export interface Fault {
  readonly id: string;
  readonly title: string;
  readonly checks: readonly FaultCheck[];
}

/** One thing that may be so, and what to do when it is. `own` names a figure of the drive that is told beside it. */
export interface FaultCheck {
  readonly id: string;
  readonly look: string;
  readonly cure: string;
  readonly own?: FaultFigure;
}

export type FaultFigure =
  | 'step'
  | 'deadBand'
  | 'resonance'
  | 'margin'
  | 'lostMotion'
  | 'closing'
  | 'worstStage'
  | 'rate'
  | 'limits'
  | 'heat';

const check = (id: string, look: string, cure: string, own?: FaultFigure): FaultCheck => ({
  id,
  look,
  cure,
  ...(own && { own }),
});

/** Every symptom with its checks, the cheapest first. To add one: a line. */
export const faults: readonly Fault[] = [
  {
    id: 'still',
    title: 'It does not move',
    checks: [
      check('supply', 'The supply is off, or sags under load.', 'Mend the supply; measure at the driver.'),
      check('enable', 'The driver is not enabled, or no steps arrive.', 'Set enable; watch the step line.'),
      check(
        'pairs',
        'The wires of a coil are no pair: there are not a few ohms across them.',
        'Swap two wires so that each pair is one coil.',
      ),
      check('current', 'The current is not set: the motor stays cold.', 'Set it to the motor’s own.', 'heat'),
      check(
        'margin',
        'It turns by itself, and stalls with the load.',
        'Less friction, more current, another ratio.',
        'margin',
      ),
      check('driver', 'Another driver turns it.', 'Take that driver.'),
    ],
  },
  {
    id: 'way',
    title: 'It turns the wrong way',
    checks: [
      check(
        'coil',
        'The motor itself turns the wrong way.',
        'Turn round one coil, or the direction in the program.',
      ),
      check(
        'hand',
        'The worm’s hand, or an idle wheel, turns it about.',
        'Say the hand in the Train; change the direction.',
      ),
    ],
  },
  {
    id: 'jerks',
    title: 'It jerks when it goes slowly',
    checks: [
      check(
        'mode',
        'The driver is set to whole steps.',
        'Set its mode; one step at the work is what is seen.',
        'step',
      ),
      check(
        'friction',
        'It sticks and slips.',
        'Clean, grease, loosen what binds: below this a microstep moves nothing.',
        'deadBand',
      ),
      check('belt', 'A belt or coupling gives.', 'A shorter, wider or stiffer one.'),
    ],
  },
  {
    id: 'loud',
    title: 'It is loud or rough at some speeds',
    checks: [
      check(
        'band',
        'It is rough in one range only.',
        'Keep clear of it; a finer mode, a damper, more inertia.',
        'resonance',
      ),
      check(
        'mesh',
        'The noise comes as often as the teeth.',
        'Set the mesh again at its tightest place; grease.',
      ),
      check('screws', 'Something loose sings.', 'Snug all screws; witness marks on set screws.'),
    ],
  },
  {
    id: 'skips',
    title: 'It skips steps',
    checks: [
      check(
        'torque',
        'It skips where the load is greatest.',
        'More current or supply, slower, another ratio.',
        'margin',
      ),
      check('ramp', 'It skips when it starts or stops.', 'A gentler ramp.'),
      check('binds', 'It binds once a turn.', 'Set the mesh at its tightest place; look for a burr.'),
      check('roughness', 'It runs where it shakes.', 'Leave the band.', 'resonance'),
    ],
  },
  {
    id: 'wanders',
    title: 'The count wanders while it stands still',
    checks: [
      check(
        'shake',
        'The encoder is shaken, or touched by chips or light.',
        'Mount it stiffly, cover it, keep its wires from the motor’s.',
      ),
      check(
        'decode',
        'It is decoded by the edges of one line only.',
        'Decode both lines four times: a shake then counts back what it counted.',
      ),
    ],
  },
  {
    id: 'gap',
    title: 'One gap is wide or narrow',
    checks: [
      check(
        'closing',
        'It is the last one.',
        'A rounded step was repeated: go to each place by its own target.',
        'closing',
      ),
      check(
        'lost',
        'Counts went lost at that tooth.',
        'Look for a stall, a slipped set screw, a shaken encoder.',
      ),
      check('clamp', 'The clamp moved the work.', 'Clamp square, and after the move from one side.'),
    ],
  },
  {
    id: 'wave',
    title: 'A wave once a turn',
    checks: [
      check(
        'blank',
        'The blank is off centre on its arbor.',
        'True it with a dial gauge: e = wave in radians times the radius.',
      ),
      check(
        'stage',
        'It comes as often as a shaft of the train turns.',
        'The stage that brings most: a truer one, or whole turns a gap.',
        'worstStage',
      ),
    ],
  },
  {
    id: 'lost',
    title: 'It has lost motion',
    checks: [
      check(
        'side',
        'Places are come to from either side.',
        'Approach from one side, or a preload.',
        'lostMotion',
      ),
      check(
        'locked',
        'With the axis locked the work still rocks.',
        'The clamp, the housing, the end float, the mesh: whose play it is, in this order.',
      ),
      check('mesh', 'The mesh rattles.', 'Set it with the helper beside.'),
    ],
  },
  {
    id: 'binds',
    title: 'It binds once a turn',
    checks: [
      check(
        'eccentric',
        'At the same place of the wheel each time.',
        'The wheel is off centre: set the mesh at its tightest place.',
      ),
      check('burr', 'At one tooth.', 'Look for a burr or a chip; dress it.'),
      check('shaft', 'At each turn of a shaft.', 'A bent shaft, or a bearing set hard.'),
    ],
  },
  {
    id: 'trail',
    title: 'Stars trail',
    checks: [
      check('east', 'Along the motion, steadily.', 'The rate: its rounding, its clock, its ratio.', 'rate'),
      check(
        'waves',
        'Along the motion, to and fro.',
        'The worm and its wheels: shorter exposures, or a truer worm.',
        'worstStage',
      ),
      check('across', 'Across the motion.', 'The polar axis.'),
      check('sag', 'Longer as it points lower.', 'Flexure: a stiffer bracket.'),
    ],
  },
  {
    id: 'stops',
    title: 'It stops at one place',
    checks: [
      check(
        'cord',
        'A cord is wound to its end, or a cable is tight.',
        'Rewind; set the limits of turning.',
        'limits',
      ),
      check('foul', 'Something fouls.', 'Turn it by hand, motor off, all the way.'),
    ],
  },
];
