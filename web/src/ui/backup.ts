import type { Workshop } from '@pendrix/core/files/index';
import { useRecords } from '../records/records.ts';
import { saveBackup } from './files.ts';

/** Everything that can be read, as a workshop file holds it. */
export function wholeWorkshop(): Workshop {
  const { drive, part, run } = useRecords().tables;
  const drives = [...drive.values()].sort((a, b) => b.touchedAt - a.touchedAt);
  const places = new Map(drives.map((r, i) => [r.id, i]));
  return {
    drives: drives.map((r) => r.drive),
    parts: [...part.values()].sort((a, b) => a.place - b.place).map((r) => r.part),
    runs: [...run.values()].flatMap(({ driveId, name, state, ended }) => {
      const at = places.get(driveId);
      return at === undefined ? [] : [{ drive: at, name, state, ended }];
    }),
  };
}

/** Drives, shelf and runs as one file to keep. */
export const backUpAll = (): Promise<void> => saveBackup(wholeWorkshop());
