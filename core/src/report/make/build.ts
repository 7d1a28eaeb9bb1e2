import type { BuildStep } from '../../drive/index.ts';

/** The head of a build or a set-up as a table. (docs: formats) */
export const BUILD_HEAD = [
  'step',
  'what',
  'gate',
  'screws',
  'way',
  'tools',
  'people',
  'done',
  'minutes',
] as const;

export const buildRows = (steps: readonly BuildStep[]): readonly (readonly string[])[] =>
  steps.map((s, i) => [
    String(i + 1),
    s.title,
    s.gate ?? '',
    s.fastener ?? '',
    s.way ?? '',
    s.tools ?? '',
    s.two ? '2' : '1',
    s.done ?? '',
    s.minutes === undefined ? '' : String(s.minutes),
  ]);
