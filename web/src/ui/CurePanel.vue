<script setup lang="ts">
import { computed } from 'vue';
import { mdiCompare } from '@mdi/js';
import type { CureBlock, CureReport, LedgerReport } from '@pendrix/core';
import { useTrials } from '../stores/trials.ts';
import GradeTag from './GradeTag.vue';
import MarkIcon from './MarkIcon.vue';
import WheelRange from './WheelRange.vue';

/** What is missing, and the changes that bring it; none goes in by itself. */
const {
  missing,
  chosen,
  block,
  fresh,
  verb = 'Compare',
} = defineProps<{
  /** what is done with one */
  verb?: string;
  missing: LedgerReport['missing'];
  chosen: string | null;
  block: CureBlock | null;
  /** they belong to what is typed now */
  fresh: boolean;
}>();
const emit = defineEmits<{ choose: [prime: string]; compare: [cure: CureReport] }>();
const trials = useTrials();
const wheels = computed(() => trials.kept.wheels);
const present = computed(() => missing.find((m) => String(m.prime) === chosen));
</script>

<template>
  <section class="cures" aria-label="Cures">
    <div v-if="missing.length > 1" class="primes" role="group" aria-label="Which prime is missing">
      <v-btn
        v-for="m in missing"
        :key="String(m.prime)"
        class="mono"
        color="warning"
        :variant="String(m.prime) === chosen ? 'flat' : 'outlined'"
        :aria-pressed="String(m.prime) === chosen"
        :aria-label="`Cures for ${m.prime}`"
        @click="emit('choose', String(m.prime))"
        >{{ m.prime }}</v-btn
      >
    </div>
    <template v-if="present && block">
      <h3><MarkIcon name="rounded" /> {{ block.prime }} is missing</h3>
      <p>{{ block.lacking }} {{ block.lacking.includes(' ') ? 'lack' : 'lacks' }} it: {{ present.rest }}</p>
      <p v-if="block.enough" class="enough">{{ block.enough }}</p>
      <article v-for="cure in block.cures" :key="cure.message" class="cure">
        <div>
          <h4>{{ cure.message }}</h4>
          <p v-for="o in cure.outcome" :key="o.graded.word" class="outcome">
            <GradeTag :graded="o.graded" /> <span>{{ o.counts }}</span>
          </p>
          <p v-if="cure.owned" class="owned">on your shelf</p>
          <p v-if="cure.loses" class="loses">{{ cure.loses }}</p>
        </div>
        <v-btn
          :disabled="!fresh"
          :prepend-icon="verb === 'Compare' ? mdiCompare : undefined"
          :aria-label="`${verb}: ${cure.message}`"
          @click="emit('compare', cure)"
          >{{ verb }}</v-btn
        >
      </article>
      <p v-if="block.none" class="none">{{ block.none }}</p>
      <div class="range">
        <span>Wheels from</span>
        <WheelRange :range="wheels" :least="6" of="a cure’s wheel" :set="trials.setWheels" />
        <span>teeth</span>
      </div>
    </template>
  </section>
</template>

<style scoped>
.cures {
  margin-top: 0.75rem;
  background: var(--p-amber-ground);
  border-top: 2px solid var(--p-amber);
  padding: 0.625rem 0.875rem 0.875rem;
  font-size: 0.875rem;
  line-height: 1.1875rem;
  flex: 1;
}
.enough {
  margin-top: 0.5rem;
  padding: 0.5rem 0.625rem;
  background: var(--p-even-ground);
  color: var(--p-ink);
}
.owned {
  color: var(--p-even);
  font-weight: 600;
}
.primes {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem;
  margin-bottom: 0.5rem;
}
h3 {
  color: var(--p-amber);
  display: flex;
  align-items: center;
  gap: 0.4375rem;
  margin-bottom: 0.1875rem;
}
.cure {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.5rem;
  align-items: start;
  border-top: 1px solid var(--p-amber-rule);
  margin-top: 0.5625rem;
  padding-top: 0.5rem;
}
h4 {
  font-size: 0.875rem;
  line-height: 1.1875rem;
  font-weight: 650;
}
.outcome {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.375rem;
}
.loses {
  color: var(--p-red);
  font-weight: 600;
}
.none {
  border-top: 1px solid var(--p-amber-rule);
  margin-top: 0.5625rem;
  padding-top: 0.5rem;
}
.range {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 0.375rem;
  border-top: 1px solid var(--p-amber-rule);
  margin-top: 0.625rem;
  padding-top: 0.5rem;
  --field-width: 3.625rem;
}
</style>
