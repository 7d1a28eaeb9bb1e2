<script setup lang="ts">
import { computed, ref } from 'vue';
import { owns, type CureReport, type Report } from '@pendrix/core';
import FactorLedger from '../../ui/FactorLedger.vue';
import FigureText from '../../ui/FigureText.vue';
import { useNextFrame } from '../../ui/next-frame.ts';
import { useSettled } from '../../ui/settled.ts';
import { useShelf } from '../../stores/shelf.ts';
import { useTrials } from '../../stores/trials.ts';
import CurePanel from './CurePanel.vue';
import EvenStrip from './EvenStrip.vue';

/** What each part brings, what each division asks, what is short, and what would cure it. */
const { report } = defineProps<{ report: Report }>();
const emit = defineEmits<{ compare: [cure: CureReport] }>();
const trials = useTrials();
const shelf = useShelf();
/** The drawing and its shafts come first. */
const drawn = useNextFrame(() => report, 4);
const wanted = ref<string | null>(null);

const ledger = computed(() => drawn.value.train.ledger);
/** The prime that was asked for while it is still missing, else the first that is. */
const chosen = computed(() => {
  const primes = ledger.value.missing.map((m) => String(m.prime));
  return wanted.value !== null && primes.includes(wanted.value) ? wanted.value : (primes[0] ?? null);
});
/** Cures and the strip are worked out when the typing rests. */
const { settled, fresh } = useSettled(() => report);
const block = computed(() =>
  chosen.value === null
    ? null
    : settled.value.train.cures(BigInt(chosen.value), trials.kept.wheels, owns(shelf.parts, shelf.uses)),
);
</script>

<template>
  <div class="ledger">
    <header class="sub">
      <h2>Factor ledger</h2>
      <span class="sp"></span>
      <span class="quiet total"
        ><FigureText class="mono" :figure="report.train.steps" /> {{ report.train.source.word }}</span
      >
    </header>
    <div class="book">
      <FactorLedger
        :ledger="ledger"
        :chosen="chosen"
        @choose="(p) => (wanted = p.replaceAll('\u2009', ''))"
      />
    </div>
    <p v-if="ledger.unlisted > 0" class="quiet more">and {{ ledger.unlisted }} counts more</p>
    <p v-if="report.counts.length === 0" class="quiet more">
      Ask for divisions in the Job, and their primes stand here against the train’s.
    </p>
    <p v-else-if="!report.divider" class="quiet more">
      This source has no steps: nothing can be divided with it, only kept turning.
    </p>
    <EvenStrip :strip="settled.train.strip" :asked="report.counts" />
    <CurePanel
      v-if="ledger.missing.length > 0 && report.counts.length > 0 && report.divider"
      :missing="ledger.missing"
      :chosen="chosen"
      :block="block"
      :fresh="fresh"
      @choose="(p) => (wanted = p)"
      @compare="(c) => emit('compare', c)"
    />
  </div>
</template>

<style scoped>
.ledger {
  display: flex;
  flex-direction: column;
  flex: 1;
}
.sub {
  padding: 0 14px;
}
.total {
  font-size: 14px;
}
.total .mono {
  color: var(--p-ink);
  font-weight: 600;
}
.book {
  contain: content;
  padding: 0 14px;
}
.more {
  padding: 8px 14px;
  font-size: 14px;
}
@media (max-width: 1100px) {
  .book {
    zoom: 0.88;
  }
}
</style>
