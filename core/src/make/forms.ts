import { kindOf, type Drive, type FormToMake } from '../drive/index.ts';
import { error, type Refusal } from '../numbers/index.ts';
import { lobedOf, mostEccentric, mostPin } from './cycloid.ts';
import { genevaCut, mostGenevaPin } from './geneva.ts';

/** A form that a stage of the path wants made: "disc-2" is that of its second stage. */
export interface MadeForm {
  readonly key: string;
  readonly stage: number;
  readonly form: FormToMake;
}

/** Lobed discs and Genevas of a path, in the order of the train. */
export const madeForms = ({ train: { stages } }: Drive): readonly MadeForm[] =>
  stages.flatMap((stage, at) =>
    (kindOf(stage).forms?.(stage) ?? []).map((form) => ({
      key: `${form.as}-${at + 1}`,
      stage: at,
      form,
    })),
  );

/** Down to what can be written: never more than is allowed. */
const down = (mm: number): string => String(Math.floor(mm * 100) / 100);

/** What keeps a form from being drawn: a pin that cuts its own disc away, lobes that do not go with their pins. */
export function formRefusal({ form, stage }: MadeForm): Refusal | null {
  const path = `train.stages[${stage}]`;
  const tooWide = (mm: number, most: number): Refusal | null =>
    mm <= most
      ? null
      : error('pinTooWide', String(mm), { path: `${path}.${form.pinKey}`, limit: down(most) }).refusal;
  if (form.as === 'slots') {
    const { slots, centreMm } = form;
    return tooWide(genevaCut(form).pinMm, mostGenevaPin(slots, centreMm));
  }
  const { lobes, pins, circleMm } = form;
  if (pins !== null && pins !== lobes + 1)
    return error('lobesAndPins', `${lobes}, ${pins}`, { path, limit: String(lobes + 1) }).refusal;
  const disc = lobedOf(form);
  const most = mostEccentric(lobes, circleMm);
  if (disc.eccentricMm >= most)
    return error('eccentricTooFar', String(disc.eccentricMm), {
      path: `${path}.eccentricMm`,
      limit: down(0.9 * most),
    }).refusal;
  return tooWide(disc.pinMm, mostPin(disc));
}
