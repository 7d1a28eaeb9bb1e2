<script setup lang="ts">
import { computed } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { mdiArrowDown, mdiArrowUp, mdiClose, mdiDragVertical } from '@mdi/js';
import type { Edit, FindSettings, Refusal, Report } from '@pendrix/core';
import { chooseForm, POOLS, type ChooseReport, type MeasureId } from '@pendrix/core/choose/index';
import CheckField from '../../ui/CheckField.vue';
import IconButton from '../../ui/IconButton.vue';
import KeepStages from './KeepStages.vue';
import RichText from '../../ui/RichText.vue';
import ReadField from '../../ui/ReadField.vue';
import ToggleChoice from '../../ui/ToggleChoice.vue';

/** What is wanted, what counts in which order, what may be used, and what dropped out. Everything is kept with the drive. */
const { present, report, edit } = defineProps<{
  present: Report;
  report: ChooseReport | null;
  edit: (edit: Edit, session?: string) => Refusal | null;
}>();
const form = computed(() => chooseForm(present.drive));
const set = (key: keyof FindSettings, text: string, session?: string): Refusal | null =>
  edit({ do: 'find', key, text }, session);
const order = (ids: readonly MeasureId[]): void => void set('measures', ids.join(', '));
const ids = computed(() => form.value.measures.map((m) => m.id));
/** Dragged by its handle; the keys beside it do the same. */
const sortable = computed({
  get: () => [...ids.value],
  set: (next) => {
    if (next.join() !== ids.value.join()) order(next);
  },
});
function move(at: number, by: -1 | 1): void {
  const next = [...ids.value];
  const [one] = next.splice(at, 1);
  next.splice(at + by, 0, one!);
  order(next);
}
const pools = Object.entries(POOLS).map(([value, title]) => ({ value, title }));
const STAGES = [1, 2, 3, 4].map((n) => ({ value: n, title: String(n) }));
const wanted = computed(() => present.asked.asks.lines);
</script>

<template>
  <form class="panel scroll" tabindex="0" aria-label="What is wanted of a drive" @submit.prevent>
    <h3>Wanted <RouterLink class="q" :to="{ name: 'job' }">from the Job</RouterLink></h3>
    <p class="wanted">{{ present.purpose }}</p>
    <p v-for="w in wanted" :key="w.label" class="line">
      <span class="quiet">{{ w.label }}</span> <RichText :text="w.figure.text" />
    </p>

    <h3>What counts, in this order</h3>
    <VueDraggable v-model="sortable" tag="ol" class="counts" handle=".handle" :animation="0">
      <li v-for="(m, i) in form.measures" :key="m.id">
        <v-icon class="handle" :icon="mdiDragVertical" size="18" aria-hidden="true" />
        <span class="ordinal">{{ i + 1 }}</span><span class="title">{{ m.title }}</span>
        <IconButton
          :label="`${m.title} up`"
          :icon="mdiArrowUp"
          :size="18"
          :disabled="i === 0"
          @click="move(i, -1)"
        />
        <IconButton
          :label="`${m.title} down`"
          :icon="mdiArrowDown"
          :size="18"
          :disabled="i === form.measures.length - 1"
          @click="move(i, 1)"
        />
        <IconButton
          :label="`${m.title} does not count`"
          :icon="mdiClose"
          :size="18"
          :disabled="form.measures.length === 1"
          @click="order(ids.filter((id) => id !== m.id))"
        />
      </li>
    </VueDraggable>
    <v-menu v-if="form.measures.length < 5">
      <template #activator="{ props: menu }">
        <v-btn class="add" variant="text" v-bind="menu">Add what counts…</v-btn>
      </template>
      <v-list>
        <v-list-item v-for="m in form.more" :key="m.id" :title="m.title" @click="order([...ids, m.id])" />
      </v-list>
    </v-menu>

    <h3>May be made of</h3>
    <ToggleChoice
      class="full"
      label="Chosen from"
      :value="form.from"
      :options="pools"
      @choose="(v) => set('pool', v)"
    />
    <CheckField
      label="I can cut or print wheels"
      :value="form.canMake"
      @set="(v) => set('canMake', v ? 'yes' : 'no')"
    />
    <CheckField
      label="Keep the motor I have"
      :value="form.keepMotor"
      @set="(v) => set('keepMotor', v ? 'yes' : 'no')"
    />
    <CheckField
      v-if="form.byHand !== null && !form.keepMotor"
      label="A crank with plates too"
      :value="form.byHand"
      @set="(v) => set('byHand', v ? 'yes' : 'no')"
    />
    <ReadField
      label="Spend at most"
      placeholder="any"
      :value="form.spendAtMost"
      :commit="(text, session) => set('spendAtMost', text, session)"
    />
    <ReadField
      v-if="form.canMake"
      label="A wheel takes"
      unit="h"
      placeholder="not said"
      :value="form.wheelHours"
      :commit="(text, session) => set('wheelHours', text, session)"
    />
    <div class="upto">
      <span>Stages at most</span>
      <ToggleChoice
        label="Stages at most"
        :value="form.stages"
        :options="STAGES"
        @choose="(n) => set('driveStages', String(n))"
      />
    </div>
    <KeepStages :drive="present.drive" :edit="edit" />

    <template v-if="report">
      <template v-if="report.window.length > 0">
        <h3>Reductions</h3>
        <p v-for="w in report.window" :key="w" class="quiet">{{ w }}</p>
      </template>
      <template v-if="report.dropped.length > 0">
        <h3>Dropped out, {{ report.dropped.length }}</h3>
        <p v-for="d in report.dropped" :key="d.family" class="dropped">
          <b>{{ d.family }}</b> <span class="quiet">{{ d.by }}</span>
        </p>
      </template>
    </template>
  </form>
</template>

<style scoped>
.panel {
  --field-width: 7.25rem;
  padding: 0 1rem 1rem 1.25rem;
  display: flex;
  flex-direction: column;
  gap: 0.25rem;
}
.panel :deep(h3) {
  display: flex;
  align-items: center;
  height: 2rem;
  flex: none;
  margin: 0.375rem -1rem 2px -1.25rem;
  padding: 0 1rem 0 1.25rem;
  border-bottom: 1px solid var(--p-row);
}
h3 .q {
  margin-left: auto;
  font-size: 0.8125rem;
  font-weight: 400;
}
.wanted {
  font-size: 0.875rem;
}
.counts {
  list-style: none;
  padding: 0;
  margin: 0;
}
.counts li {
  display: flex;
  align-items: center;
  font-size: 0.875rem;
  border-bottom: 1px solid var(--p-row);
}
.counts .handle {
  cursor: grab;
  color: var(--p-quiet);
}
.counts .title {
  flex: 1;
}
.add {
  align-self: flex-start;
}
.full :deep(.v-btn) {
  flex: 1 1 auto;
  min-width: 0;
  padding-inline: 0.375rem;
}
.upto {
  display: flex;
  align-items: center;
  justify-content: space-between;
  font-size: 0.875rem;
}
.dropped {
  font-size: 0.875rem;
  line-height: 1.125rem;
}
.dropped .quiet {
  display: block;
}
</style>
