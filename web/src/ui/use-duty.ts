import { computed, type ComputedRef } from 'vue';
import { duties, dutiesIn, onCard, type DutyId, type InputSpec, type Refusal } from '@pendrix/core';
import { useOpenDrive, useReport } from './open-drive.ts';

/** A duty of the open drive: what stands there, and its edits. */
export interface DutyFields {
  readonly list: ComputedRef<readonly object[]>;
  readonly specs: readonly InputSpec[];
  readonly set: (at: number) => (key: string, text: string, editSession?: string) => Refusal | null;
  readonly add: (more?: Readonly<Record<string, unknown>>) => Refusal | null;
  readonly remove: (at: number) => Refusal | null;
}

export function useDuty(duty: DutyId): DutyFields {
  const { edit } = useOpenDrive();
  const report = useReport();
  return {
    list: computed(() => dutiesIn(report.value.drive, duty)),
    specs: onCard(duties[duty].inputs),
    set: (at) => (key, text, editSession) => edit({ do: 'duty', duty, at, key, text }, editSession),
    add: (more) => edit({ do: 'addDuty', duty, ...(more ? { with: more } : {}) }),
    remove: (at) => edit({ do: 'removeDuty', duty, at }),
  };
}
