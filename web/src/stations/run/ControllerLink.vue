<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiConnection, mdiPowerPlugOffOutline } from '@mdi/js';
import { dialectOf, grouped, readCount, type Refusal } from '@pendrix/core';
import { useController, wayOf, waysHere, type ControllerWay } from '../../stores/controller.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import MarkIcon from '../../ui/MarkIcon.vue';
import ReadField from '../../ui/ReadField.vue';

/** How a controller is connected, and where the one that is stands. What is done with it stands in the slot. */
const link = useController();
const way = ref<ControllerWay>('browser');
const ways = waysHere().map((value) => ({ value, title: wayOf(value).title }));
const asks = computed(() => dialectOf(wayOf(way.value).dialect).asks);
const address = ref('ws://192.168.4.1/controller');
const words = ref('motor=dc&seed=7');
const letter = ref('A');
const perUnit = ref(3040);
const standsIn = computed(() => way.value === 'browser' || way.value === 'server');
const into =
  (set: (text: string) => void) =>
  (text: string): null => {
    set(text);
    return null;
  };
const setPerUnit = (text: string): Refusal | null => {
  const read = readCount(text, { min: 1, max: 10_000_000, unit: 'counts', example: '3040' });
  if (read.ok) perUnit.value = read.value;
  return read.ok ? null : read.refusal;
};
const connect = (): void =>
  void link.connect({
    way: way.value,
    address: address.value,
    words: words.value,
    baud: 115_200,
    letter: letter.value,
    countsPerUnit: perUnit.value,
  });
const standing = computed(() => {
  const s = link.status;
  if (!s) return '';
  return [
    s.fault ?? '',
    s.moving ? 'moving' : 'standing',
    s.frozen ? 'count held' : '',
    s.held ? 'motor holds' : 'motor off',
  ]
    .filter(Boolean)
    .join(', ');
});
</script>

<template>
  <section class="controller" aria-label="Controller">
    <template v-if="!link.controller">
      <header>
        <b>Controller</b><span class="quiet">none: by hand, or by a motor that you send yourself</span>
      </header>
      <p v-if="link.lost" class="lost" role="status">Not connected: {{ link.lost }}.</p>
      <div class="fields">
        <ChoiceField
          label="Connect"
          :value="way"
          :options="ways"
          @choose="(w) => (way = w as ControllerWay)"
        />
        <ReadField
          v-if="way === 'socket'"
          label="Address"
          :value="address"
          :commit="into((t) => (address = t.trim()))"
        />
        <ReadField
          v-if="standsIn"
          label="It is like"
          :value="words"
          hint="motor=dc or stepper, decode=1 or 4, shaking=1, speed, coast, window, loses, seed"
          :commit="into((t) => (words = t.trim()))"
        />
        <template v-if="asks.length > 0">
          <ReadField
            label="Axis"
            :value="letter"
            :commit="into((t) => (letter = (t.trim()[0] ?? 'A').toUpperCase()))"
          />
          <ReadField label="Counts of a unit" :value="String(perUnit)" :commit="setPerUnit" />
        </template>
      </div>
      <v-btn :prepend-icon="mdiConnection" :loading="link.connecting" @click="connect">Connect</v-btn>
    </template>
    <template v-else>
      <header>
        <MarkIcon name="even" /><b>{{ link.controller.hello.name }}</b>
        <v-spacer />
        <v-btn variant="text" :prepend-icon="mdiPowerPlugOffOutline" @click="link.disconnect()"
          >Disconnect</v-btn
        >
      </header>
      <dl v-if="link.status">
        <dt>at</dt>
        <dd class="mono">{{ grouped(String(link.status.counts)) }}</dd>
        <dt>raw</dt>
        <dd class="mono">{{ grouped(String(link.status.raw)) }}</dd>
        <dt>it is</dt>
        <dd>{{ standing }}</dd>
      </dl>
      <slot />
    </template>
  </section>
</template>

<style scoped>
.controller {
  padding: 0.625rem 1rem;
  border-bottom: 1px solid var(--p-hair);
  font-size: 0.875rem;
  line-height: 1.25rem;
  --field-width: 10.625rem;
}
header {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  min-height: 2rem;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 0.75rem;
  padding-bottom: 0.375rem;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr max-content 1fr;
  gap: 2px 0.625rem;
}
dt {
  color: var(--p-quiet);
}
dd:last-of-type {
  grid-column: 2 / -1;
}
.lost {
  color: var(--p-amber);
}
</style>
