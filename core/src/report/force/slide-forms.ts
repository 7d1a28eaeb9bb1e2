import { cantilever, cordLayer, railSag, returnsBetween } from '../../force/index.ts';
import { angleText, lengthText } from '../../words/index.ts';
import { field, short, type BenchForm } from './bench-form.ts';

export const flexure = (): BenchForm => ({
  id: 'flexure',
  title: 'Flexure',
  message:
    'A rod held at one end and loaded at the other: how far it bends where the load changes with pointing.',
  fields: [
    field('force', 'Load', 'N'),
    field('length', 'Length', 'mm'),
    field('diameter', 'Rod', 'mm'),
    field('young', 'Stiffness E', 'GPa', '200'),
  ],
  take: '',
  answer: (v) => {
    const c = cantilever({
      forceN: v['force']!,
      lengthMm: v['length']!,
      diameterMm: v['diameter']!,
      youngGPa: v['young']!,
    });
    return { text: `${lengthText(c.mm).join(' ')} and ${angleText(c.arcsec)} at its end`, edits: [] };
  },
});

export const slides = (): readonly BenchForm[] => [
  {
    id: 'returns',
    title: 'Back by its weight',
    message: 'A carriage on a cord: steep enough that the cord stays taut, not so steep that it tips.',
    fields: [
      field('mu', 'Friction number', '', '0.08'),
      field('base', 'Half its foot', 'mm'),
      field('height', 'Centre at', 'mm'),
    ],
    take: '',
    answer: (v) => {
      const r = returnsBetween(v['mu']!, v['base']!, v['height']!);
      return {
        text:
          r.toDeg > r.fromDeg
            ? `between ${r.fromDeg.toFixed(1)}° and ${r.toDeg.toFixed(1)}°`
            : `never: it tips at ${r.toDeg.toFixed(1)}°, before it slides`,
        edits: [],
      };
    },
  },
  {
    id: 'cord',
    title: 'Cord on a drum',
    message: 'One layer only: a cord on top of itself changes the travel of a turn.',
    fields: [
      field('width', 'Drum is wide', 'mm'),
      field('cord', 'Cord', 'mm'),
      field('drum', 'Drum', 'mm'),
      field('travel', 'Travel', 'mm'),
    ],
    take: '',
    answer: (v) => {
      const c = cordLayer(v['width']!, v['cord']!, v['drum']!, v['travel']!);
      return {
        text: `${c.turns} turns hold ${Math.round(c.holdsMm)} mm; it wants ${c.wants} turns, ${short(c.wideMm)} mm wide`,
        edits: [],
      };
    },
  },
  {
    id: 'rails',
    title: 'Rails',
    message: 'How far they sag in the middle; EI of all rails together.',
    fields: [field('force', 'Load', 'N'), field('span', 'Span', 'mm'), field('ei', 'EI', 'N·m²')],
    take: '',
    answer: (v) => ({
      text: `${lengthText(railSag(v['force']!, v['span']!, v['ei']!)).join(' ')} in the middle`,
      edits: [],
    }),
  },
];
