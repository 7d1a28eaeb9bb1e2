<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiDotsVertical } from '@mdi/js';
import { placeNow, placeWord, readCount, type Drive, type Refusal, type RunState } from '@pendrix/core';
import { useSettings } from '../../stores/settings.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import DialogCard from '../../ui/DialogCard.vue';
import IconButton from '../../ui/IconButton.vue';
import ReadField from '../../ui/ReadField.vue';
import ControllerPanel from './ControllerPanel.vue';
import type { useDriven } from './use-driven.ts';

/** What is seldom wanted at the bench: jump, skip, mark, the controller on a phone, cues and a pedal. */
const { state, drive, driver } = defineProps<{
  state: RunState;
  drive: Drive;
  driver: ReturnType<typeof useDriven>;
}>();
const emit = defineEmits<{ skip: []; jump: [gap: number]; bad: [] }>();
const settings = useSettings();
const place = computed(() => placeWord(state.plan));
const jumping = ref(false);
const controller = ref(false);
const aids = ref(false);
const to = ref<number | null>(null);
const setTo = (text: string): Refusal | null => {
  const read = readCount(text, { min: 1, max: state.plan.divisions, unit: `${place.value}s`, example: '20' });
  to.value = read.ok ? read.value : null;
  return read.ok ? null : read.refusal;
};
function jump(): void {
  if (to.value !== null) emit('jump', to.value);
  jumping.value = false;
}
/** the next key that is pressed is the pedal's */
const listening = ref(false);
function hear(): void {
  listening.value = true;
  const take = (e: KeyboardEvent): void => {
    e.preventDefault();
    listening.value = false;
    settings.pedal = e.key === 'Escape' ? '' : e.key;
  };
  document.addEventListener('keydown', take, { once: true, capture: true });
}
const pedalName = (key: string): string => (key === ' ' ? 'Space' : key);
</script>

<template>
  <v-menu location="bottom end">
    <template #activator="{ props }">
      <IconButton v-bind="props" label="More for this run" :icon="mdiDotsVertical" />
    </template>
    <v-list>
      <v-list-item
        :title="
          (state.bad ?? []).includes(placeNow(state))
            ? `This ${place} is good after all`
            : `Mark this ${place} as bad`
        "
        :disabled="state.finished"
        @click="emit('bad')"
      />
      <v-list-item
        :title="`Skip this ${place}`"
        :disabled="state.finished || state.paused"
        @click="emit('skip')"
      />
      <v-list-item :title="`Jump to a ${place}`" :disabled="state.paused" @click="jumping = true" />
      <v-list-item class="for-narrow" title="Controller" @click="controller = true" />
      <v-list-item title="Cues and pedal" @click="aids = true" />
    </v-list>
  </v-menu>
  <DialogCard v-model="jumping" :title="`Jump to a ${place}`" :width="420">
    <form id="jump" class="form" @submit.prevent="jump">
      <p>
        It goes there from one side. A {{ place }} that was passed over stays so:
        {{ state.plan.divisions }} in all, it stands at {{ state.gap }}.
      </p>
      <ReadField
        :label="place === 'mark' ? 'Mark' : 'Gap'"
        :value="to === null ? '' : String(to)"
        placeholder="20"
        autofocus
        :commit="setTo"
      />
    </form>
    <template #actions>
      <v-spacer />
      <v-btn variant="text" @click="jumping = false">Cancel</v-btn>
      <v-btn variant="flat" type="submit" form="jump" :disabled="to === null">Jump</v-btn>
    </template>
  </DialogCard>
  <DialogCard v-model="controller" title="Controller" :width="420">
    <ControllerPanel :state="state" :drive="drive" :driver="driver" />
  </DialogCard>
  <DialogCard v-model="aids" title="Cues and pedal" :width="460">
    <div class="form">
      <ChoiceField
        label="At each step"
        :value="settings.cues"
        :options="[
          { value: 'off', title: 'no cue' },
          { value: 'tone', title: 'a tone' },
          { value: 'voice', title: 'spoken' },
        ]"
        @choose="(c) => (settings.cues = c as typeof settings.cues)"
      />
      <p>
        A second key for “next”: <b>{{ settings.pedal ? pedalName(settings.pedal) : 'none' }}</b>
        <v-btn variant="text" @click="hear">{{
          listening ? 'Press it now, Escape for none' : 'Choose it'
        }}</v-btn>
      </p>
      <p class="quiet">
        A pedal that types a key works like this. Never let it start the cutter, and keep it where nobody
        steps on it by chance.
      </p>
    </div>
  </DialogCard>
</template>

<style scoped>
.form {
  display: grid;
  gap: 0.625rem;
  padding: 0.5rem 1.25rem 0.875rem;
  font-size: 0.875rem;
  line-height: 1.25rem;
}
@media (min-width: 901px) {
  .for-narrow {
    display: none;
  }
}
</style>
