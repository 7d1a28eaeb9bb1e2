import { computed, shallowRef, watch, type ComputedRef, type Ref } from 'vue';
import type { CureReport, Drive, Edit, Refusal, Report, Train } from '@pendrix/core';
import { useTrials } from '../../stores/trials.ts';

/** Two trains that stand side by side. */
export interface Pair {
  readonly a: Report;
  readonly b: Report;
  readonly title: string;
  readonly aName: string;
  readonly bName: string;
  /** b is a cure that can be taken */
  readonly cure: boolean;
}

/** Comparing: a pinned train A against the present one, or the present one against a cure. */
export function useCompare(
  id: () => string | null,
  report: () => Report,
  edit: (e: Edit) => Refusal | null,
  judge: (drive: Drive) => Report,
): {
  readonly pinned: ComputedRef<Train | null>;
  readonly pair: Readonly<Ref<Pair | null>>;
  readonly pin: () => void;
  readonly unpin: () => void;
  readonly backToA: () => void;
  readonly tryCure: (cure: CureReport) => void;
  readonly take: () => void;
  readonly drop: () => void;
  readonly comparePinned: () => void;
} {
  const trials = useTrials();
  const cure = shallowRef<CureReport | null>(null);
  const showing = shallowRef<'pinned' | 'cure' | null>(null);
  const pinned = computed(() => trials.kept.pinned[id() ?? ''] ?? null);
  const withTrain = (train: Train): Report => judge({ ...report().drive, train });

  const pair = computed((): Pair | null => {
    if (showing.value === 'cure' && cure.value)
      return {
        a: report(),
        b: withTrain(cure.value.train),
        title: cure.value.message,
        aName: 'present',
        bName: 'changed',
        cure: true,
      };
    if (showing.value === 'pinned' && pinned.value)
      return {
        a: withTrain(pinned.value),
        b: report(),
        title: 'The pinned train and the present one',
        aName: 'A, pinned',
        bName: 'B, present',
        cure: false,
      };
    return null;
  });

  const drop = (): void => {
    showing.value = null;
    cure.value = null;
  };
  // A cure belongs to the train it was found for.
  watch([() => report().drive.train, id], () => {
    if (showing.value === 'cure') drop();
  });
  return {
    pinned,
    pair,
    pin: () => {
      const at = id();
      if (at) trials.pin(at, report().drive.train);
    },
    unpin: () => {
      const at = id();
      if (at) trials.unpin(at);
      drop();
    },
    backToA: () => {
      if (pinned.value) edit({ do: 'train', train: pinned.value, label: 'back to the pinned train A' });
    },
    tryCure: (found) => {
      cure.value = found;
      showing.value = 'cure';
    },
    take: () => {
      const found = cure.value;
      drop();
      if (found) edit({ do: 'train', train: found.train, label: found.message.toLowerCase() });
    },
    drop,
    comparePinned: () => {
      showing.value = 'pinned';
    },
  };
}
