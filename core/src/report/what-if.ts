import { kindOf, qualityOf, applyEdit, type Drive, type Edit, type Quality } from '../drive/index.ts';
import { steadyNm } from '../turning/index.ts';
import type { AskedTorque } from '../force/index.ts';
import { marginText } from './force/words.ts';
import { angleText, type Graded } from '../words/index.ts';
import { report } from './report.ts';

/** One place of a slider. */
export interface WhatIfPlace {
  /** "1/64", "24" */
  readonly text: string;
  readonly edit: Edit;
}

/** Something of a drive that can be tried at other values; nothing is changed until it is kept. */
export interface WhatIfSlider {
  readonly id: string;
  readonly title: string;
  readonly unit: string;
  readonly places: readonly WhatIfPlace[];
  /** which place is as it is */
  readonly now: number;
  /** what this place alone makes of it */
  at(place: number): WhatIfOutcome;
}

export interface WhatIfOutcome {
  /** "±60.1″" or "1.92×" */
  readonly text: string;
  readonly graded: Graded | null;
  /** "now ±95.1″", and what else changes with it */
  readonly message: string;
}

export interface WhatIf {
  readonly sliders: readonly WhatIfSlider[];
  /** all that is tried at once, by the ids of the sliders */
  together(tried: Readonly<Record<string, number>>): WhatIfOutcome;
  /** what keeps it: edits that are one step */
  edits(tried: Readonly<Record<string, number>>): readonly Edit[];
}

interface Outcome {
  readonly text: string;
  readonly graded: Graded | null;
  readonly more: string;
}

/** What is looked at: the sum of one budget, or the least margin of the force. */
export type WhatIfOf = { readonly of: 'errors'; readonly key: string } | { readonly of: 'force' };

/** The drive with nothing asked but what the budget is of: a count is divided alone, so that a place is judged within a frame. */
const askedAlone = (drive: Drive, key: string): Drive => {
  const [kind, count] = key.split('.');
  return { ...drive, job: { ...drive.job, divisions: kind === 'divide' ? count! : '' } };
};

function outcomeOf(drive: Drive, what: WhatIfOf): Outcome {
  if (what.of === 'errors') {
    const sum = report(askedAlone(drive, what.key)).judged.errors.of(what.key)?.worst;
    return sum
      ? { text: `±${angleText(sum.arcsec)}`, graded: sum.graded, more: '' }
      : { text: 'Unknown', graded: null, more: '' };
  }
  const force = report({ ...drive, job: { ...drive.job, divisions: '' } }).judged.force;
  const push = force?.force.resonance?.push;
  return {
    text: typeof force?.margin !== 'number' ? 'Unknown' : marginText(force.margin),
    graded: force?.graded ?? null,
    more:
      push === undefined ? '' : `resonance pushes ${Number((push * 100).toPrecision(2))} % of a full step’s`,
  };
}

const QUALITIES: readonly (readonly [Quality, string])[] = [
  ['printed', 'printed'],
  ['homecut', 'home-cut'],
  ['bought', 'bought'],
  ['precise', 'precise'],
];

const modeSlider = ({ train: { source } }: Drive): Bare | null =>
  source.kind !== 'stepper' || source.modes.length < 2
    ? null
    : {
        id: 'mode',
        title: 'Microsteps',
        unit: '',
        places: source.modes.map((mode) => ({ text: `1/${mode}`, edit: { do: 'mode', mode } })),
        now: source.modes.indexOf(source.mode),
      };

/** One stage after another whose wheels' run-outs are estimates by their quality. */
const qualitySliders = ({ train: { stages } }: Drive): readonly Bare[] =>
  stages.flatMap((stage, at) =>
    stage.runoutMm === undefined &&
    kindOf(stage)
      .wobbles?.(stage as never)
      .some((w) => w.estimate && !(w.key in stage))
      ? [
          {
            id: `quality.${at}`,
            title: `${kindOf(stage).title} ${kindOf(stage).label(stage)}`,
            unit: '',
            places: QUALITIES.map(([text, title]) => ({
              text: title,
              edit: { do: 'stage' as const, at, key: 'quality', text },
            })),
            now: QUALITIES.findIndex(([q]) => q === qualityOf(stage)),
          },
        ]
      : [],
  );

type Bare = Omit<WhatIfSlider, 'at'>;

/** As many places below what it is as above, a quarter to four times. */
const SIDE = 8;

/** A number about as it is: from a quarter of it to four times, in rising steps, itself in the middle. */
function around(
  id: string,
  title: string,
  unit: string,
  now: number,
  edit: (text: string) => Edit,
  most = Infinity,
): Bare {
  const values = Array.from({ length: 2 * SIDE + 1 }, (_, i) =>
    i === SIDE ? now : Number((now * 4 ** ((i - SIDE) / SIDE)).toPrecision(2)),
  ).filter((v) => v <= most);
  const places = [...new Set(values)].map((v) => ({ text: String(v), edit: edit(String(v)), value: v }));
  return { id, title, unit, places, now: places.findIndex((p) => p.value === now) };
}

const load = (key: string, text: string): Edit => ({ do: 'duty', duty: 'load', at: 0, key, text });

/** Of what is asked at the work, what can be changed behind it. */
const BEHIND: Readonly<Record<AskedTorque['id'], readonly [string, string, string]>> = {
  imbalance: ['massKg', 'Mass', 'kg'],
  friction: ['frictionNm', 'Friction', 'N·m'],
  work: ['workNm', 'Tool', 'N·m'],
  wind: ['windNm', 'Wind', 'N·m'],
  acceleration: ['accelRevPerS2', 'Ramp', 'rev/s²'],
  carriage: ['massKg', 'Mass', 'kg'],
  pull: ['pullN', 'Force along it', 'N'],
};

function preloadSlider(drive: Drive): Bare | null {
  const given = drive.job.load;
  if (!given || drive.job.approach !== 'both') return null;
  const needs = (given.frictionNm ?? 0) + steadyNm(given);
  if (needs === 0) return null;
  const now = given.preloadNm ?? 0;
  const values = [
    ...new Set([0, now, ...[0.5, 0.8, 1.05, 1.3, 1.6, 2].map((n) => Number((n * needs).toPrecision(2)))]),
  ].sort((a, b) => a - b);
  return {
    id: 'preload',
    title: 'Preload',
    unit: 'N·m',
    places: values.map((v) => ({ text: String(v), edit: load('preloadNm', v === 0 ? '' : String(v)) })),
    now: values.indexOf(now),
  };
}

function forceSliders(drive: Drive): readonly (Bare | null)[] {
  const { source } = drive.train;
  const given = drive.job.load;
  const asked = given ? (report(drive).judged.force?.force.asked ?? []) : [];
  const heaviest = [...asked].sort((a, b) => b.nm - a.nm)[0];
  const [key, title, unit] = heaviest ? BEHIND[heaviest.id] : ['', '', ''];
  const amount = (given as Readonly<Record<string, number>> | undefined)?.[key];
  const volts = source.kind === 'stepper' || source.kind === 'encoderMotor' ? source.supplyV : undefined;
  const rpm = given?.speedRpm === undefined ? null : Number(given.speedRpm);
  return [
    volts
      ? around('supply', 'Supply', 'V', volts, (text) => ({ do: 'source', key: 'supplyV', text }), 1000)
      : null,
    amount ? around(`load.${key}`, title, unit, amount, (text) => load(key, text)) : null,
    rpm && Number.isFinite(rpm)
      ? around('speed', 'Speed', 'rpm', rpm, (text) => load('speedRpm', text))
      : null,
  ];
}

/** What can be tried of a drive, and what it makes. Pure: a place is judged by the same report as the drive itself. */
export function whatIf(drive: Drive, what: WhatIfOf): WhatIf {
  const now = outcomeOf(drive, what);
  const bare = (
    what.of === 'errors'
      ? [modeSlider(drive), preloadSlider(drive), ...qualitySliders(drive)]
      : [modeSlider(drive), ...forceSliders(drive)]
  ).filter((s): s is Bare => s !== null && s.now >= 0);
  const after = (edits: readonly Edit[]): Drive =>
    edits.reduce((d, edit) => {
      const made = applyEdit(d, edit);
      return made.ok ? made.value : d;
    }, drive);
  const told = (edits: readonly Edit[]): WhatIfOutcome => {
    const made = edits.length === 0 ? now : outcomeOf(after(edits), what);
    return {
      text: made.text,
      graded: made.graded,
      message: [
        ...(edits.length === 0 ? ['as it is'] : [`now ${now.text}`]),
        ...(made.more === now.more || made.more === '' ? [] : [made.more]),
      ].join('; '),
    };
  };
  const known = new Map<string, WhatIfOutcome>();
  const sliders = bare.map((s): WhatIfSlider => ({
    ...s,
    at: (place) => {
      const key = `${s.id} ${place}`;
      const made = known.get(key) ?? told(place === s.now ? [] : [s.places[place]!.edit]);
      known.set(key, made);
      return made;
    },
  }));
  const edits = (tried: Readonly<Record<string, number>>): readonly Edit[] =>
    sliders.flatMap((s) => {
      const at = tried[s.id];
      return at === undefined || at === s.now ? [] : [s.places[at]!.edit];
    });
  return { sliders, edits, together: (tried) => told(edits(tried)) };
}
