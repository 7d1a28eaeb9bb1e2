import { COMMON_JOB, type Drive } from '../drive/index.ts';

/** A file as it was read: an object of one of our formats, any version, unchecked. */
export type Unchecked = Readonly<Record<string, unknown>>;

const isData = (value: unknown): value is Unchecked =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Keys of the job that stand beside the trains. */
const BESIDE: readonly string[] = [...COMMON_JOB, 'between'];

const split = (job: Unchecked): readonly [Unchecked, Unchecked] => {
  const entries = Object.entries(job);
  const beside = entries.filter(([key]) => BESIDE.includes(key));
  const own = entries.filter(([key]) => !BESIDE.includes(key));
  return [Object.fromEntries(beside), Object.fromEntries(own)];
};

/** Equal motors on one wheel were `ganged` in version 1. */
function counted({ ganged, ...source }: Unchecked): Unchecked {
  return ganged === undefined ? source : { ...source, count: ganged };
}

/** Version 1 held one train, with its encoder and its search beside it: version 2 holds a list of one. (docs: formats) */
export function toTrains(file: Unchecked): Unchecked {
  const { job, train, encoder, find, ...rest } = file;
  // what is no object is left for the check to name
  if (!isData(train) || (job !== undefined && !isData(job))) return { ...file, version: 2 };
  const [beside, own] = split(job ?? {});
  return {
    ...rest,
    version: 2,
    job: beside,
    trains: [
      {
        from: null,
        ...train,
        ...(isData(train['source']) && { source: counted(train['source']) }),
        ...(encoder !== undefined && { encoder }),
        ...(find !== undefined && { find }),
        job: own,
      },
    ],
  };
}

/** A drive as a file of the current version holds it. */
export function trainsForm(drive: Drive): Unchecked {
  const { others, ...first } = drive as unknown as Unchecked & { readonly others?: readonly unknown[] };
  const file = toTrains(first);
  return others ? { ...file, trains: [...(file['trains'] as readonly unknown[]), ...others] } : file;
}

/** How the file's own places are called, by those of the drive that was read from it. */
export type PlaceInFile = (place: string) => string;

/**
 * What a file of the current version holds as it is kept: its first train with a source in the drive, the others beside it. Unchecked
 * data in, unchecked data out; null where the trains are no list of objects, and the check of the file itself says so.
 */
export function keptForm(
  file: Unchecked,
): { readonly drive: Unchecked; readonly placeInFile: PlaceInFile } | null {
  const { trains, job, ...rest } = file;
  if (!Array.isArray(trains) || trains.length === 0 || !trains.every(isData)) return null;
  const all = trains as readonly Unchecked[];
  const root = all.findIndex((t) => t['from'] === null || t['from'] === undefined);
  const order =
    root > 0 ? [root, ...all.keys()].filter((i, at, list) => list.indexOf(i) === at) : [...all.keys()];
  const { from: _, job: own, encoder, find, ...train } = all[order[0]!]!;
  const beside = isData(job) ? job : {};
  const ownKeys = new Set(Object.keys(isData(own) ? own : {}));
  const others = order.slice(1).map((i) => {
    const { from, job: its, output, ...one } = all[i]!;
    return {
      output: output ?? { kind: 'rotary' },
      ...one,
      from: from ?? null,
      job: { divisions: '', ...overridden(beside, own), ...(isData(its) ? its : {}) },
    };
  });
  return {
    drive: {
      ...rest,
      train,
      ...(encoder !== undefined && { encoder }),
      ...(find !== undefined && { find }),
      job:
        job !== undefined && !isData(job)
          ? job
          : isData(own) || own === undefined
            ? { ...beside, ...own }
            : own,
      ...(others.length > 0 && { others }),
    },
    placeInFile: (place) => {
      const other = /^others\[(\d+)\]/.exec(place);
      if (other) return `trains[${order[Number(other[1]) + 1]}]${place.slice(other[0].length)}`;
      const first = `trains[${order[0]}]`;
      if (place === 'others') return 'trains';
      const key = /^job\.([A-Za-z]+)/.exec(place)?.[1];
      if (key !== undefined) return ownKeys.has(key) ? `${first}.${place}` : place;
      if (place === 'train' || place.startsWith('train.')) return first + place.slice('train'.length);
      return /^(?:encoder|find)\b/.test(place) ? `${first}.${place}` : place;
    },
  };
}

/** What the first train says otherwise than the common job: the others keep what is common. */
function overridden(beside: Unchecked, own: unknown): Unchecked {
  if (!isData(own)) return {};
  return Object.fromEntries(
    COMMON_JOB.flatMap((key) => (key in own && key in beside ? [[key, beside[key]] as const] : [])),
  );
}
