<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiCodeTags, mdiFileDelimitedOutline } from '@mdi/js';
import {
  makingReport,
  readCount,
  readSize,
  readWorm,
  toText,
  type PlatesReport,
  type Refusal,
} from '@pendrix/core';
import { save } from '../../ui/files.ts';
import ReadField from '../../ui/ReadField.vue';
import TextTable from '../../ui/TextTable.vue';

/** A circle that is to be made: the crank on a head for each hole, and the places on a mill. */
const { plates, circle } = defineProps<{ plates: PlatesReport; circle: number }>();
const holes = ref(circle);
/** made on the head it is for, unless another is written */
const worm = ref(toText(plates.worm));
const radius = ref(50);
const read = ref(1);
const list = computed(() => makingReport(worm.value, holes.value, plates.worm, read.value));

const setHoles = (text: string): Refusal | null => {
  const count = readCount(text, { min: 2, max: 2000, unit: 'holes', example: '26' });
  if (count.ok) holes.value = count.value;
  return count.ok ? null : count.refusal;
};
const setWorm = (text: string): Refusal | null => {
  const ratio = readWorm(text);
  if (ratio.ok) worm.value = ratio.value;
  return ratio.ok ? null : ratio.refusal;
};
const setSize =
  (to: (n: number) => void, max: number, unit: string) =>
  (text: string): Refusal | null => {
    const size = readSize(text, { min: 0.001, max, unit, example: '50' });
    if (size.ok) to(size.value);
    return size.ok ? null : size.refusal;
  };

async function saveCsv(): Promise<void> {
  const { makingCsv } = await import('@pendrix/core/files/plates-answer');
  save(`plate-${holes.value}.csv`, makingCsv(list.value.worm, holes.value, radius.value), 'text/csv');
}
async function saveAngles(): Promise<void> {
  const { anglesGcode } = await import('@pendrix/core/files/plates-answer');
  save(`plate-${holes.value}-angles.gcode`, anglesGcode(holes.value), 'text/plain');
}
async function saveMoves(): Promise<void> {
  const { drillingMoves } = await import('@pendrix/core/files/plates-answer');
  save(`plate-${holes.value}.gcode`, drillingMoves(holes.value, radius.value), 'text/plain');
}
</script>

<template>
  <section class="make" aria-label="Make a circle">
    <div class="head">
      <h3>Make a circle of {{ holes }}</h3>
      <v-spacer />
      <v-btn variant="text" :prepend-icon="mdiFileDelimitedOutline" @click="saveCsv">CSV</v-btn>
      <v-btn variant="text" :prepend-icon="mdiCodeTags" @click="saveMoves">Drilling</v-btn>
      <v-btn variant="text" :prepend-icon="mdiCodeTags" @click="saveAngles">Angles</v-btn>
    </div>
    <div class="fields">
      <ReadField label="Holes" :value="String(holes)" :commit="setHoles" />
      <ReadField label="on a head of" :value="worm" unit=": 1" :commit="setWorm" />
      <ReadField
        label="Protractor read to"
        :value="String(read)"
        unit="°"
        :commit="setSize((n) => (read = n), 90, '°')"
      />
      <ReadField
        label="Radius"
        :value="String(radius)"
        unit="mm"
        :commit="setSize((n) => (radius = n), 5000, 'mm')"
      />
    </div>
    <p class="quiet">{{ list.message }}</p>
    <div class="rows" tabindex="0" role="group" aria-label="Where the crank stands">
      <TextTable :table="list.table" :most="120" />
    </div>
    <p class="quiet">Drill with the work clamped and guarded as the machine’s maker and local rules ask.</p>
  </section>
</template>

<style scoped>
.make {
  padding: 0.625rem 1rem 0.75rem 1.25rem;
  border-top: 1px solid var(--p-hair);
}
.head {
  display: flex;
  align-items: center;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  padding-bottom: 0.375rem;
}
.make p {
  font-size: 0.875rem;
  line-height: 1.1875rem;
  padding: 2px 0 0.375rem;
}
.rows {
  max-height: 13.75rem;
  overflow: auto;
  border: 1px solid var(--p-hair);
  margin-bottom: 0.375rem;
}
</style>
