<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiVibrate } from '@mdi/js';
import { shakeMessage, standsAt, placeWord, windowMeaning, type Drive, type RunState } from '@pendrix/core';
import { useController } from '../../stores/controller.ts';
import CheckField from '../../ui/CheckField.vue';
import ControllerLink from './ControllerLink.vue';
import PlaceText from './PlaceText.vue';
import type { useDriven } from './use-driven.ts';

/** The controller beside the target: whether it drives this run, its window, and the shake test. */
const { state, drive, driver } = defineProps<{
  state: RunState;
  drive: Drive;
  driver: ReturnType<typeof useDriven>;
}>();
const link = useController();
/** live: where the work stands by its counts */
const stands = computed(() => (link.status ? standsAt(state, link.status.counts) : null));
const d = computed(() => state.driven ?? null);
/** clamp, knock, watch: three seconds */
const SHAKE_MS = 3000;
const shaking = ref(false);
const shaken = ref('');
async function shakeTest(): Promise<void> {
  const before = link.status;
  if (!before) return;
  shaking.value = true;
  shaken.value = '';
  link.takeEdges();
  await new Promise((r) => setTimeout(r, SHAKE_MS));
  shaking.value = false;
  shaken.value = shakeMessage(state.plan, before, link.status, link.takeEdges());
}
</script>

<template>
  <ControllerLink>
    <template v-if="!d">
      <p class="quiet">
        Put the work on the mark of {{ placeWord(state.plan) }} {{ state.gap }}; its count there becomes this
        one’s.
      </p>
      <v-btn :disabled="state.finished" @click="driver.attach">It stands on the mark: drive this run</v-btn>
    </template>
    <template v-else>
      <p v-if="driver.strange.value" class="lost" role="alert">
        It was switched off since: its count begins anew. Put the work on the mark of
        {{ placeWord(state.plan) }} {{ state.gap }}.
        <v-btn @click="driver.attach">It stands on the mark</v-btn>
      </p>
      <p v-if="stands">the work at <PlaceText class="mono" :of="stands" /></p>
      <div class="fields">
        <span
          >Stop window ±{{ d.window }} {{ d.window === 1 ? 'count' : 'counts' }}
          <span class="quiet"
            >{{ windowMeaning(drive, state.plan, d.window) }}; it stands on the motor’s card</span
          ></span
        >
      </div>
      <CheckField
        label="hold the count while it is clamped"
        :value="d.holds"
        @set="(on: boolean) => driver.stored({ do: 'holds', on })"
      />
      <div class="fields">
        <v-btn
          variant="text"
          :prepend-icon="mdiVibrate"
          :loading="shaking"
          :disabled="link.moving"
          @click="shakeTest"
          >Shake test</v-btn
        >
        <v-btn variant="text" @click="driver.letGo">Run without it</v-btn>
      </div>
      <p v-if="shaking" role="status">Clamped? Knock on the head now.</p>
      <p v-else-if="shaken" role="status">{{ shaken }}</p>
    </template>
  </ControllerLink>
</template>

<style scoped>
.fields {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 0.75rem;
  padding-bottom: 0.375rem;
}
.lost {
  color: var(--p-amber);
}
</style>
