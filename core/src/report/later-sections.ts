import { buildStates, circleDrawings, faults } from '../make/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import type { Context } from './context.ts';
import { benchForms } from './force/forms.ts';
import { beltReports } from './make/belts.ts';
import { faultReport } from './make/faults.ts';
import { fitForms } from './make/fit-forms.ts';
import { fitReport } from './make/fits.ts';
import { meshChoices, meshReport } from './make/mesh.ts';
import { madeTables, type MadeFrom } from './make/tables.ts';
import { wheelReports, workReport } from './make/wheels.ts';
import { measureForms } from './measure/forms.ts';
import { groupOf, type Made, type Section } from './sections.ts';

/**
 * Sections that the first page has no use for: a page that shows them brings them along. They are asked of a report as any section is, and
 * kept with it.
 */

type Parts = readonly ShelfPart[];

/** What is made of a drive. */
const made = {
  wheels: ({ drive }) => wheelReports(drive),
  /** the wheel of a count that the job cuts; null where its blank is not known */
  blank:
    ({ drive }) =>
    (teeth: number) =>
      workReport(drive, teeth),
  belts:
    ({ drive }) =>
    (parts: Parts) =>
      beltReports(drive, parts),
  /** what has to fit, shaft by shaft; `shared` shafts belong to another train */
  fits:
    ({ drive }) =>
    (parts: Parts, shared: number | null) =>
      fitReport(drive, parts, shared),
  fitForms: () => fitForms,
  /** parts, fits, the cut list, belts, the build: what there is of them */
  tables:
    ({ drive }) =>
    (from?: MadeFrom) =>
      madeTables(drive, from),
  /** the build in its order, each step with how it stands */
  build: ({ drive }) => buildStates(drive.build?.steps ?? []),
  drawings:
    ({ drive }) =>
    (planned: boolean) =>
      circleDrawings(drive, planned),
  meshes: ({ drive }) => meshChoices(drive),
  mesh:
    ({ drive }) =>
    (stage: number) =>
      meshReport(drive, stage),
  faults: () => faults,
  fault: (of) => (id: string) => faultReport(of, id),
} as const satisfies Readonly<Record<string, Section>>;

/** What is found out at the bench, and kept as measured. */
const measured = {
  /** small tests that replace a guess of the load, and reckonings */
  load: (of) => benchForms(of),
  /** small tests of what the drive does */
  motion: ({ drive }) => measureForms(drive),
} as const satisfies Readonly<Record<string, Section>>;

/** Whatever has a report's context. */
interface Judged {
  readonly of: Context;
}
function keptWith<G extends Readonly<Record<string, Section>>>(group: G): (report: Judged) => Made<G> {
  const known = new WeakMap<Context, Made<G>>();
  return ({ of }) => {
    const before = known.get(of) ?? groupOf(group, of);
    known.set(of, before);
    return before;
  };
}

/** Wheels, belts, fits, tables, the build, drawings, meshes, faults. */
export const madeOf = keptWith(made);
/** Forms of what is measured. */
export const measuredOf = keptWith(measured);
