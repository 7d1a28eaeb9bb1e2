import { computed, inject, provide, watch, type ComputedRef, type InjectionKey } from 'vue';
import { useRoute } from 'vue-router';
import { useSessionStorage } from '@vueuse/core';
import {
  pathOf,
  report,
  trainAt,
  trainsOf,
  treeReport,
  type Drive,
  type Edit,
  type Path,
  type Refusal,
  type Report,
  type TreeReport,
} from '@pendrix/core';
import type { DriveRecord } from '../records/kinds.ts';
import { useWorkshop } from '../stores/workshop.ts';
import { isShared, type Place } from './stations.ts';

const reports = new WeakMap<Drive, Report>();

/** The report of a drive, made once: drives never change, a new one takes their place. */
export function reportOf(drive: Drive): Report {
  const known = reports.get(drive) ?? report(drive);
  reports.set(drive, known);
  return known;
}

const trees = new WeakMap<Drive, TreeReport>();

/** What all outputs of a drive come to, made once. */
export function treeOf(drive: Drive): TreeReport {
  const known = trees.get(drive) ?? treeReport(drive, reportOf);
  trees.set(drive, known);
  return known;
}

/** The drive whose address is open, with its report. */
export interface OpenDrive {
  readonly id: ComputedRef<string | null>;
  readonly record: ComputedRef<DriveRecord | null>;
  /** of the output that is looked at */
  readonly report: ComputedRef<Report | null>;
  /** the way to that output; of a drive of one train the drive itself */
  readonly path: ComputedRef<Path | null>;
  /** all outputs */
  readonly tree: ComputedRef<TreeReport | null>;
  /** which output is looked at, from 0 */
  readonly output: ComputedRef<number>;
  /** looks at another output, by the name of its train */
  readonly look: (train: string) => void;
  /** why there is no report of it; null when there is one */
  readonly fault: ComputedRef<unknown>;
  /** tries an edit; null when it was taken */
  readonly edit: (edit: Edit, editSession?: string) => Refusal | null;
  /** the same of another output */
  readonly editAt: (output: number, edit: Edit, editSession?: string) => Refusal | null;
}

const KEY: InjectionKey<OpenDrive> = Symbol('open drive');

/** Called once, by the frame. */
export function provideOpenDrive(): OpenDrive {
  const route = useRoute();
  const workshop = useWorkshop();
  const last = useSessionStorage<string>('pendrix.open', '');
  /** at a station of a drive the one of its address; at the shelf, which all share, the one that was open before */
  const id = computed(() => {
    const given = route.params['id'];
    if (typeof given === 'string') return given;
    const place = route.meta['place'] as Place | undefined;
    return place && isShared(place) && workshop.records.has(last.value) ? last.value : null;
  });
  watch(id, (now) => {
    if (now !== null) last.value = now;
  });
  const record = computed(() => (id.value === null ? null : (workshop.records.get(id.value) ?? null)));
  const drive = computed(() => record.value?.drive ?? null);
  /** by drive, the train that was last looked at: a name, so that it survives other trains coming and going */
  const looked = useSessionStorage<Readonly<Record<string, string>>>('pendrix.outputs', {});
  const output = computed(() => {
    const name = looked.value[id.value ?? ''];
    return name === undefined || !drive.value ? 0 : Math.max(0, trainAt(trainsOf(drive.value), name));
  });
  const path = computed(() => drive.value && pathOf(drive.value, output.value));
  /** a drive that cannot be reported on must not take the frame down with it */
  const made = computed<{ readonly report: Report | null; readonly fault: unknown }>(() => {
    try {
      return { report: path.value && reportOf(path.value.drive), fault: null };
    } catch (fault) {
      return { report: null, fault };
    }
  });
  const editAt: OpenDrive['editAt'] = (at, edit, editSession) => {
    if (id.value === null) return null;
    const result = workshop.edit(id.value, edit, editSession ?? null, at);
    return result.ok ? null : result.refusal;
  };
  const open: OpenDrive = {
    id,
    record,
    report: computed(() => made.value.report),
    path,
    tree: computed(() => (made.value.report && drive.value ? treeOf(drive.value) : null)),
    output,
    look: (train) => {
      if (id.value !== null) looked.value = { ...looked.value, [id.value]: train };
    },
    fault: computed(() => made.value.fault),
    edit: (edit, editSession) => editAt(output.value, edit, editSession),
    editAt,
  };
  provide(KEY, open);
  return open;
}

/** The open drive, inside the frame. */
export function useOpenDrive(): OpenDrive {
  const open = inject(KEY);
  if (!open) throw new Error('no frame provides the open drive');
  return open;
}

/** The report of the open drive, for the pages of a station: they are shown only while there is one. */
export function useReport(): ComputedRef<Report> {
  const { report: open } = useOpenDrive();
  return computed(() => {
    if (!open.value) throw new Error('a station without a drive');
    return open.value;
  });
}
