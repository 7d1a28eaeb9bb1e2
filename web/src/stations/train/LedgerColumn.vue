<script setup lang="ts">
import { computed } from 'vue';
import type { CureReport, Report } from '@pendrix/core';
import CurePanel from '../../ui/CurePanel.vue';
import FactorLedger from '../../ui/FactorLedger.vue';
import { useNextFrame } from '../../ui/next-frame.ts';
import { useCures } from '../../ui/use-cures.ts';
import WorkingKey from '../../ui/WorkingKey.vue';
import EvenStrip from './EvenStrip.vue';

/** What each part supplies, what each division asks, what is short, and what would cure it. */
const { report } = defineProps<{ report: Report }>();
const emit = defineEmits<{ compare: [cure: CureReport] }>();
/** The drawing and its shafts come first. */
const drawn = useNextFrame(() => report, 4);
const ledger = computed(() => drawn.value.built.ledger);
const { missing, chosen, choose, block, fresh, settled } = useCures(() => report);
</script>

<template>
  <div class="ledger">
    <header class="sub">
      <h2>Factor ledger</h2>
      <v-spacer />
      <WorkingKey :figure="report.built.steps" />
    </header>
    <div class="book">
      <FactorLedger :ledger="ledger" :chosen="chosen" @choose="(p) => choose(p.replaceAll('\u2009', ''))" />
    </div>
    <p v-if="ledger.unlisted > 0" class="quiet more">and {{ ledger.unlisted }} counts more</p>
    <p v-if="report.counts.length === 0" class="quiet more">
      Ask for divisions in the Job, and their primes stand here against the train’s.
    </p>
    <p v-else-if="!report.divider" class="quiet more">
      This source has no steps: nothing can be divided with it, only kept turning.
    </p>
    <EvenStrip :strip="settled.built.strip" :asked="report.counts" />
    <CurePanel
      v-if="missing.length > 0 && report.counts.length > 0 && report.divider"
      :missing="missing"
      :chosen="chosen"
      :block="block"
      :fresh="fresh"
      @choose="choose"
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
  padding: 0 0.875rem;
}
.book {
  contain: content;
  padding: 0 0.875rem;
}
.more {
  padding: 0.5rem 0.875rem;
  font-size: 0.875rem;
}
@media (max-width: 1100px) {
  .book {
    zoom: 0.88;
  }
}
</style>
