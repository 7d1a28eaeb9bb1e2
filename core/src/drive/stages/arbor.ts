import type { InputSpec } from '../inputs.ts';

const at = { optional: true, more: true, plan: true } as const;
const place = (key: string, label: string): InputSpec => ({
  type: 'number',
  key,
  label,
  unit: 'mm',
  min: -100_000,
  max: 100_000,
  default: null,
  ...at,
});

const axis: InputSpec = {
  type: 'text',
  key: 'axis',
  label: 'On the axis',
  max: 30,
  default: '',
  hint: 'arbors of one axis: tubes and hands on one centre',
  ...at,
};

/** Layers of wheels on either side of the plate, the first next to it. */
export const MAX_LAYER = 9;

const sides = [
  ['F', 1],
  ['B', -1],
] as const;

/** "F1" is the first layer before the plate, "B2" the second behind it. */
export const layerName = (layer: number): string => `${layer < 0 ? 'B' : 'F'}${Math.abs(layer)}`;

/** Where a stage and the arbor that it turns stand in the plan. (handbook: drive, arbors and centre distances) */
export const arborInputs: readonly InputSpec[] = [
  {
    type: 'choice',
    key: 'layer',
    label: 'Layer',
    options: sides.flatMap(([, sign]) =>
      Array.from({ length: MAX_LAYER }, (_, i) => {
        const layer = sign * (i + 1);
        return { value: String(layer), title: layerName(layer) };
      }),
    ),
    default: '1',
    number: true,
    ...at,
  },
  {
    type: 'exact',
    key: 'distanceMm',
    label: 'Centre distance',
    unit: 'mm',
    default: '',
    hint: 'when it is not what the teeth want: a profile shift, a belt’s own length',
    ...at,
  },
  axis,
  place('arborXMm', 'Pinned at x'),
  place('arborYMm', 'Pinned at y'),
  {
    type: 'number',
    key: 'arborDeg',
    label: 'Swings to',
    unit: '°',
    min: -3600,
    max: 3600,
    default: null,
    ...at,
  },
  { type: 'flag', key: 'arborOther', label: 'The other of its two places', default: '', ...at },
];

/** The same of the arbor of a source. */
export const sourceArborInputs: readonly InputSpec[] = [
  ...arborInputs.filter((i) => !['layer', 'distanceMm'].includes(i.key)),
  {
    type: 'size',
    key: 'boreMm',
    label: 'Shaft',
    unit: 'mm',
    min: 0,
    max: 500,
    default: null,
    ...at,
  },
];
