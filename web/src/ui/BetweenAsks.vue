<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiClose, mdiPlus } from '@mdi/js';
import { duties, refusalMessage, showInput, type Refusal } from '@pendrix/core';
import ChoiceField from './ChoiceField.vue';
import FigureText from './FigureText.vue';
import GradeTag from './GradeTag.vue';
import IconButton from './IconButton.vue';
import { useOpenDrive } from './open-drive.ts';
import ReadField from './ReadField.vue';

/** Ratios asked between outputs that one source turns: what is wanted, what the teeth make, what it adds up to in a hundred years. */
const { tree, edit } = useOpenDrive();
const names = computed(() => (tree.value?.outputs ?? []).map(({ name }) => ({ value: name, title: name })));
const asked = computed(() => tree.value?.drive.job.between ?? []);
const reports = computed(() => tree.value?.between ?? []);
const specs = Object.fromEntries(duties.between.inputs.map((i) => [i.key, i]));
const refusal = ref<Refusal | null>(null);
const said = computed(() => refusal.value && refusalMessage(refusal.value));
const set =
  (at: number, key: string) =>
  (text: string, session?: string): Refusal | null =>
    edit({ do: 'duty', duty: 'between', at, key, text }, session);
const choose = (at: number, key: string, name: string): void => {
  refusal.value = set(at, key)(name);
};
/** The next output that no ratio is asked of, against the first. */
function add(): void {
  const [first, second] = names.value;
  const free = names.value.slice(1).find((n) => !asked.value.some((b) => b.to === n.value)) ?? second;
  if (!first || !free) return;
  refusal.value = edit({
    do: 'addDuty',
    duty: 'between',
    with: { from: first.value, to: free.value, wanted: '1' },
  });
}
</script>

<template>
  <div class="asks">
    <div v-for="(b, at) in reports" :key="at" class="ask">
      <div class="fields">
        <ChoiceField
          label="Turns of"
          across
          :value="b.from"
          :options="names"
          @choose="(v) => choose(at, 'from', v)"
        />
        <ChoiceField
          label="in one of"
          across
          :value="b.to"
          :options="names"
          @choose="(v) => choose(at, 'to', v)"
        />
        <ReadField
          class="wanted"
          label="wanted"
          :value="asked[at]?.wanted ?? ''"
          hint="a ratio, or two times: 12 h to 29.530589 d"
          :commit="set(at, 'wanted')"
        />
        <ReadField
          class="ppm"
          label="within"
          unit="ppm"
          :value="showInput(specs['ppm']!, asked[at]?.ppm)"
          placeholder="exactly"
          hint="parts in a million, or 0.01 d a year; nothing for exactly so"
          :commit="set(at, 'ppm')"
        />
        <IconButton
          :label="`Remove ${b.title}`"
          :icon="mdiClose"
          :size="18"
          @click="edit({ do: 'removeDuty', duty: 'between', at })"
        />
      </div>
      <p class="gives">
        <span>the teeth make <FigureText class="mono" :figure="b.figures.ratio" /></span>
        <span>off by <FigureText class="mono" :figure="b.figures.off" /></span>
        <span>{{ b.message }}</span>
        <GradeTag :graded="b.graded" />
      </p>
    </div>
    <p v-if="said" class="tone-misses" role="alert">
      <b>{{ said.message }}</b> {{ said.cure }}
    </p>
    <v-btn :prepend-icon="mdiPlus" @click="add">Ask a ratio between outputs</v-btn>
  </div>
</template>

<style scoped>
.asks {
  display: grid;
  gap: 0.625rem;
  justify-items: start;
}
.ask {
  width: 100%;
  border-bottom: 1px solid var(--p-row);
  padding-bottom: 0.5rem;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 0.375rem 0.75rem;
  align-items: flex-start;
  --field-width: 6.25rem;
}
.wanted {
  --field-width: 6.75rem;
}
.ppm {
  --field-width: 5.75rem;
}
.gives {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 1.125rem;
  align-items: center;
  font-size: 0.875rem;
  min-height: 1.625rem;
  margin-top: 0.25rem;
  color: var(--p-quiet);
}
.gives .mono {
  color: var(--p-ink);
}
@media (max-width: 1180px) {
  .fields > :is(.choice-field, .read-field) {
    --field-width: 4.875rem;
  }
}
</style>
