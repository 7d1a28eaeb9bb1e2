import { useImporting } from '../../stores/importing.ts';
import { useRecords } from '../../records/records.ts';
import { demoWorkshop } from '../../ui/files.ts';

/** Set once the maker has begun, with the demo workshop or without: then an empty list stays empty. */
const KEY = 'pendrix.begun';

const orElse = <R>(act: () => R, otherwise: R): R => {
  try {
    return act();
  } catch {
    return otherwise;
  }
};

/** The Lantern Hill demo workshop: put in place where a browser has nothing yet, and asked for later. */
export function useDemo(): {
  readonly open: (quietly?: boolean) => Promise<void>;
  /** at the first start, on an empty browser */
  readonly openAtFirst: () => Promise<boolean>;
} {
  const records = useRecords();
  const { take } = useImporting();

  async function open(quietly = false): Promise<void> {
    const demo = await demoWorkshop();
    // what is on the shelf already stays as it is
    const parts = demo.parts.filter((p) => !records.tables.part.has(p.id));
    const names = demo.drives.map((d) => d.name);
    take(
      { ...demo, parts },
      'the Lantern Hill workshop',
      quietly ? '' : `The Lantern Hill workshop is here: ${names.length} drives and its shelf.`,
    );
  }

  return {
    open,
    openAtFirst: async () => {
      const begun = orElse(() => localStorage.getItem(KEY) !== null, true);
      const { drive, part } = records.tables;
      if (begun || records.trouble || records.apart.length > 0 || drive.size > 0 || part.size > 0)
        return false;
      orElse(() => localStorage.setItem(KEY, 'yes'), undefined);
      await open(true);
      return true;
    },
  };
}
