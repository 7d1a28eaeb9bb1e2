import type { Drive } from '../../drive/index.ts';
import { madeForms, motorFaces } from '../../make/index.ts';

/** A drawing that can be asked for by its name, besides those of wheels. */
export interface DrawingChoice {
  readonly name: string;
  readonly title: string;
}

/** What is drawn at 1:1 of a path besides its wheels: plates, plates of the arbors, discs and Genevas, dials, motor faces. */
export const drawingChoices = (drive: Drive, planned: boolean): readonly DrawingChoice[] => [
  ...(drive.plates?.plates ?? []).map((_, i) => ({ name: `plate-${i}`, title: `Plate ${i + 1}` })),
  ...madeForms(drive).map(({ key, form, stage }) => ({
    name: key,
    title: `${form.label}, stage ${stage + 1}`,
  })),
  { name: 'dial', title: 'Dial' },
  { name: 'vernier', title: 'Vernier' },
  ...(planned
    ? [
        { name: 'arbors', title: 'Arbor plan' },
        { name: 'front', title: 'Front plate' },
        { name: 'back', title: 'Back plate' },
      ]
    : []),
  ...motorFaces.map((f) => ({ name: `motor-${f.frame}`, title: `Motor face ${f.frame}` })),
];
