import { computed, ref, type ComputedRef } from 'vue';
import { owns, type CureBlock, type LedgerReport, type Report } from '@pendrix/core';
import { useShelf } from '../stores/shelf.ts';
import { useTrials } from '../stores/trials.ts';
import { useSettled } from './settled.ts';

/** What a drive's counts lack, and what would bring it. */
export interface Cures {
  readonly missing: ComputedRef<LedgerReport['missing']>;
  /** the prime that was asked for while it is still missing, else the first that is */
  readonly chosen: ComputedRef<string | null>;
  readonly choose: (prime: string) => void;
  readonly block: ComputedRef<CureBlock | null>;
  /** they belong to what is typed now */
  readonly fresh: ComputedRef<boolean>;
  readonly settled: ComputedRef<Report>;
}

/** Cures are worked out when the typing rests. */
export function useCures(report: () => Report): Cures {
  const trials = useTrials();
  const shelf = useShelf();
  const wanted = ref<string | null>(null);
  // what other drives take of the shelf changes with every edit: it is asked when the typing rests, too
  const { settled: all, fresh } = useSettled(() => [report(), shelf.parts, shelf.uses] as const);
  const settled = computed(() => all.value[0]);
  const missing = computed(() => settled.value.built.ledger.missing);
  const chosen = computed(() => {
    const primes = missing.value.map((m) => String(m.prime));
    return wanted.value !== null && primes.includes(wanted.value) ? wanted.value : (primes[0] ?? null);
  });
  return {
    missing,
    chosen,
    choose: (prime) => (wanted.value = prime),
    block: computed(() =>
      chosen.value === null
        ? null
        : settled.value.built.cures(
            BigInt(chosen.value),
            trials.kept.wheels,
            owns(all.value[1], all.value[2]),
          ),
    ),
    fresh,
    settled,
  };
}
