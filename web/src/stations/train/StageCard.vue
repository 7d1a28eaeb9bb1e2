<script setup lang="ts">
import { computed } from 'vue';
import { mdiArrowLeft, mdiArrowRight, mdiDeleteOutline, mdiDotsVertical, mdiDragVertical } from '@mdi/js';
import {
  kindOf,
  showInput,
  type Edit,
  type InputSpec,
  type InputValue,
  type Refusal,
  type Stage,
  type StageReport,
} from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';
import RichText from '../../ui/RichText.vue';

/** One stage: its inputs, the steps a turn so far, and what can be done with it. */
const { stage, report, at, last, selected, edit } = defineProps<{
  stage: Stage;
  report: StageReport;
  at: number;
  last: number;
  selected: boolean;
  edit: (e: Edit, burst?: string) => Refusal | null;
}>();
const emit = defineEmits<{ select: []; move: [to: number]; remove: [] }>();

const kind = computed(() => kindOf(stage));
const valueOf = (spec: InputSpec): InputValue | undefined =>
  (stage as unknown as Readonly<Record<string, InputValue>>)[spec.key];
const shown = (spec: InputSpec): string => showInput(spec, valueOf(spec));
const commit =
  (spec: InputSpec) =>
  (text: string, burst: string): Refusal | null =>
    edit({ do: 'stage', at, key: spec.key, text }, burst);
const estimate = (spec: InputSpec): string =>
  'optional' in spec && valueOf(spec) === undefined ? String(spec.default) : '';
const choice = (spec: InputSpec): string => String(valueOf(spec) ?? spec.default);

function keys(e: KeyboardEvent): void {
  if (!e.altKey || e.ctrlKey || e.metaKey) return;
  const to = e.key === 'ArrowLeft' ? at - 1 : e.key === 'ArrowRight' ? at + 1 : null;
  if (to === null) return;
  e.preventDefault();
  if (to >= 0 && to <= last) emit('move', to);
}
</script>

<template>
  <section
    class="card"
    :class="{ on: selected }"
    :aria-label="`Stage ${at + 1}: ${report.title} ${report.label}`"
    @focusin="emit('select')"
    @click="emit('select')"
    @keydown="keys"
  >
    <header>
      <v-icon class="handle" :icon="mdiDragVertical" size="18" title="Drag to reorder" />
      <h3>{{ report.title }}</h3>
      <v-menu location="bottom end">
        <template #activator="{ props }">
          <button
            type="button"
            class="icon-button"
            v-bind="props"
            :aria-label="`What to do with stage ${at + 1}, ${report.title}`"
          >
            <v-icon :icon="mdiDotsVertical" size="18" />
          </button>
        </template>
        <v-list>
          <v-list-item
            :prepend-icon="mdiArrowLeft"
            title="Move towards the motor"
            :disabled="at === 0"
            @click="emit('move', at - 1)"
          />
          <v-list-item
            :prepend-icon="mdiArrowRight"
            title="Move towards the work"
            :disabled="at === last"
            @click="emit('move', at + 1)"
          />
          <v-list-item :prepend-icon="mdiDeleteOutline" title="Remove" @click="emit('remove')" />
        </v-list>
      </v-menu>
    </header>
    <div class="fields">
      <template v-for="spec in kind.inputs" :key="spec.key">
        <ChoiceField
          v-if="spec.type === 'choice'"
          :label="spec.label"
          :value="choice(spec)"
          :options="spec.options"
          @choose="(v) => edit({ do: 'stage', at, key: spec.key, text: v })"
        />
        <ReadField
          v-else
          :label="spec.label"
          :value="shown(spec)"
          :unit="spec.unit ?? ''"
          :hint="spec.hint ?? ''"
          :placeholder="estimate(spec)"
          :commit="commit(spec)"
        />
      </template>
    </div>
    <footer><span>steps a turn</span><RichText class="mono" :text="report.stepsSoFar" /></footer>
    <p v-for="fact in report.facts" :key="fact" class="fact">{{ fact }}</p>
  </section>
</template>

<style scoped>
.card {
  width: 205px;
  flex: none;
  padding: 0 16px 0 20px;
  position: relative;
  border-left: 1px solid var(--p-hair);
  display: flex;
  flex-direction: column;
}
.card.on {
  background: var(--p-surface);
}
.card.on::before {
  content: '';
  position: absolute;
  left: -1px;
  right: 0;
  top: 0;
  height: 3px;
  background: var(--p-blue);
}
.card.on h3 {
  color: var(--p-blue);
}
header {
  height: 36px;
  flex: none;
  display: flex;
  align-items: center;
}
h3 {
  flex: 1;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.handle {
  cursor: grab;
  margin: 0 2px 0 -12px;
  color: var(--p-tick-ten);
  opacity: 1;
}
.icon-button {
  margin-right: -10px;
  color: var(--p-quiet);
}
.fields {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.fact {
  font-size: 13px;
  line-height: 17px;
  color: var(--p-quiet);
  padding: 3px 0 4px;
}
footer {
  margin-top: 4px;
  border-top: 1px solid var(--p-hair);
  padding: 5px 0 8px;
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: 13px;
  color: var(--p-quiet);
}
footer .mono {
  font-size: 14px;
  font-weight: 600;
  color: var(--p-ink);
  white-space: nowrap;
}
</style>
