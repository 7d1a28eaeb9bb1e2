<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiCheck } from '@mdi/js';
import { buildStates, setupStands, withDone, type Build, type BuildStep, type Refusal } from '@pendrix/core';
import { useRoute } from 'vue-router';
import { useOpenDrive } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';

/** The set-up at the machine, signed off step by step before the first gap, or skipped with a reason. (handbook: make, building in order) */
const { setup } = defineProps<{ setup: Build }>();
const { edit } = useOpenDrive();
const route = useRoute();
const states = computed(() => buildStates(setup.steps));
/** the next to sign, and what comes after it */
const COMING = 3;
const coming = computed(() => states.value.filter((s) => s.is !== 'done').slice(0, COMING));
const stands = computed(() => setupStands(setup));
/** when the present step was come to, for how long it takes */
const since = ref(Date.now());
function put(steps: readonly BuildStep[], message: string, reason = setup.skipped): Refusal | null {
  return edit({ do: 'build', list: 'setup', steps, ...(reason && { skipped: reason }), message });
}
function sign(step: BuildStep): void {
  const took = Math.round((Date.now() - since.value) / 60_000);
  const next = withDone(
    setup.steps,
    step.id,
    new Date().toISOString().slice(0, 10),
    took > 0 && took < 600 ? took : undefined,
  );
  if (next) put(next, `set-up: ${step.title}`);
  since.value = Date.now();
}
const skip = (text: string): Refusal | null =>
  put(setup.steps, text.trim() === '' ? 'set-up wanted again' : 'set-up skipped', text.trim().slice(0, 200));
</script>

<template>
  <section class="setup" aria-label="Set-up at the machine">
    <h3>
      Set-up
      <small class="quiet"
        >{{ setup.steps.length - stands.open.length }} of {{ setup.steps.length }} signed off</small
      >
    </h3>
    <ol v-if="stands.open.length > 0 && !setup.skipped">
      <li v-for="s in coming" :key="s.step.id" :class="s.is">
        <span
          >{{ s.step.title }}<small v-if="s.step.gate" class="quiet"> · {{ s.step.gate }}</small></span
        >
        <v-btn v-if="s.is === 'next'" :prepend-icon="mdiCheck" @click="sign(s.step)">Sign off</v-btn>
      </li>
      <li v-if="stands.open.length > COMING" class="waits">
        <span>and {{ stands.open.length - COMING }} more</span>
      </li>
    </ol>
    <ReadField
      v-if="stands.open.length > 0"
      label="Or skip it, because"
      :value="setup.skipped ?? ''"
      placeholder="second wheel of the same blank"
      :commit="skip"
    />
    <RouterLink :to="{ name: 'make', params: route.params, query: { tab: 'build', list: 'setup' } }"
      >Change the list</RouterLink
    >
  </section>
</template>

<style scoped>
.setup {
  padding: 0.625rem 1rem;
  border-bottom: 1px solid var(--p-hair);
  font-size: 0.875rem;
  --field-width: 15.625rem;
}
h3 {
  font-size: 0.9375rem;
}
a {
  color: var(--p-blue);
}
small {
  font-weight: 400;
  font-size: 0.8125rem;
}
ol {
  list-style: none;
  margin: 0.25rem 0 0.5rem;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 0.5rem;
  padding: 0.1875rem 0;
  border-bottom: 1px solid var(--p-row);
  line-height: 1.125rem;
}
.stopped span,
.waits span {
  color: var(--p-quiet);
}
</style>
