import { ok, error, type Result } from '../numbers/index.ts';
import { pathOf, trainsOf, type Drive } from '../drive/index.ts';
import { writeDrive } from '../files/index.ts';
import { madeWheels } from '../make/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import { exportDrive, exportFormats, offersOf } from './formats.ts';
import { packPage } from './pack-page.ts';

/** One file of a build pack. */
export interface PackFile {
  /** with folders: "drawings/wheel-3.dxf" */
  readonly name: string;
  readonly text: string;
}

/** A name that any disk takes. */
const folder = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase() || 'train';

function trainFiles(
  drive: Drive,
  shelf: readonly ShelfPart[],
  shared: number | null,
  at: string,
): readonly PackFile[] {
  return offersOf(drive).flatMap(({ as, file, options }) => {
    const made = exportDrive(drive, as, options, { shelf, shared });
    return made.ok ? [{ name: `${at}${file}.${exportFormats[as].extension}`, text: made.value }] : [];
  });
}

/**
 * Everything one needs at the bench, as open files: the document to print, the drive itself, tables, run sheets, drawings, drilling lists and
 * constants. Deterministic. Refused for a drive with nothing to make or run.
 */
export function packFiles(drive: Drive, shelf: readonly ShelfPart[]): Result<readonly PackFile[]> {
  const trains = trainsOf(drive).map((t, i) => {
    const path = pathOf(drive, i);
    return { name: t.name, drive: path.drive, shared: t.from === null ? null : path.shared };
  });
  if (trains.every((t) => t.drive.train.stages.length === 0 && madeWheels(t.drive).length === 0))
    return error('nothingToExport', 'stages to build');
  // the plan of the arbors is that of all trains together
  const whole = (['svg', 'dxf'] as const).flatMap((as): readonly PackFile[] => {
    const made = trains.length > 1 ? exportDrive(drive, as, { of: 'arbors' }) : null;
    return made?.ok ? [{ name: `arbors.${as}`, text: made.value }] : [];
  });
  const parts = trains.flatMap((t) =>
    trainFiles(t.drive, shelf, t.shared, trains.length > 1 ? `${folder(t.name)}/` : ''),
  );
  return ok([
    { name: 'build-pack.html', text: packPage(drive, shelf) },
    { name: 'drive.pendrix.json', text: writeDrive(drive) },
    ...whole,
    ...parts,
  ]);
}
