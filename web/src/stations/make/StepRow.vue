<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp, mdiCheck, mdiClose, mdiDotsVertical, mdiPlus } from '@mdi/js';
import type { BuildState, BuildStep, Refusal } from '@pendrix/core';
import IconButton from '../../ui/IconButton.vue';
import StepFields from './StepFields.vue';

/** One step of a build or a set-up: what it is, its gate, and what can be done with it. */
defineProps<{
  state: BuildState;
  /** from 0 */
  at: number;
  last: boolean;
  /** it says why it and all after it are stopped */
  says: boolean;
  opened: boolean;
  text: (key: 'title' | 'gate' | 'way' | 'tools') => (typed: string) => Refusal | null;
}>();
const emit = defineEmits<{
  change: [more: Partial<BuildStep>];
  goBack: [];
  finish: [];
  open: [];
  after: [];
  move: [by: -1 | 1];
  remove: [];
}>();
</script>

<template>
  <li :class="state.is">
    <span class="n">{{ at + 1 }}</span>
    <div class="what">
      <p>
        <b>{{ state.step.title }}</b>
        <span v-if="state.step.fastener" class="tag">{{ state.step.fastener }}</span>
        <span v-if="state.step.two" class="tag">two people</span>
      </p>
      <p v-if="state.step.way || state.step.tools" class="quiet">
        {{ [state.step.way, state.step.tools].filter(Boolean).join(' · ') }}
      </p>
      <p v-if="state.step.gate" class="gate">Gate: {{ state.step.gate }}</p>
      <p v-if="state.is === 'stopped' && says" class="stop">
        Stopped: “{{ state.by!.title }}” is not passed ({{ state.by!.gate }}).
      </p>
      <p v-else-if="state.is === 'stopped'" class="quiet">stopped as well</p>
      <StepFields v-if="opened" :step="state.step" :text="text" @change="(more) => emit('change', more)" />
    </div>
    <div class="keys">
      <template v-if="state.is === 'done'">
        <span class="quiet"
          >{{ state.step.done
          }}<template v-if="state.step.minutes">, {{ state.step.minutes }} min</template></span
        >
        <v-btn variant="text" @click="emit('goBack')">Go back to it</v-btn>
      </template>
      <v-btn v-else-if="state.is !== 'stopped'" :prepend-icon="mdiCheck" @click="emit('finish')">{{
        state.step.gate ? 'Gate passed' : 'Done'
      }}</v-btn>
      <v-menu location="bottom end">
        <template #activator="{ props }">
          <IconButton
            v-bind="props"
            :label="`Actions for step ${at + 1}`"
            :icon="mdiDotsVertical"
            :size="18"
          />
        </template>
        <v-list>
          <v-list-item title="Change it" @click="emit('open')" />
          <v-list-item :prepend-icon="mdiPlus" title="A step after it" @click="emit('after')" />
          <v-list-item :prepend-icon="mdiArrowUp" title="Up" :disabled="at === 0" @click="emit('move', -1)" />
          <v-list-item :prepend-icon="mdiArrowDown" title="Down" :disabled="last" @click="emit('move', 1)" />
          <v-list-item :prepend-icon="mdiClose" title="Remove" @click="emit('remove')" />
        </v-list>
      </v-menu>
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 1.75rem minmax(0, 1fr) max-content;
  gap: 0.5rem;
  align-items: start;
  padding: 0.4375rem 0.75rem 0.4375rem 1.25rem;
  border-top: 1px solid var(--p-row);
  font-size: 0.875rem;
  line-height: 1.1875rem;
}
.n {
  font-family: var(--mono);
  color: var(--p-quiet);
}
.next {
  background: var(--p-surface);
  box-shadow: inset 3px 0 var(--p-blue);
}
.done b {
  color: var(--p-even);
}
.stopped b {
  color: var(--p-quiet);
}
.tag {
  margin-left: 0.5rem;
  padding: 0 0.375rem;
  border: 1px solid var(--p-hair);
  font-size: 0.8125rem;
}
.gate {
  color: var(--p-blue);
}
.stop {
  color: var(--p-red);
}
.keys {
  display: flex;
  align-items: center;
  gap: 0.25rem;
}
@media print {
  .keys {
    display: none;
  }
}
</style>
