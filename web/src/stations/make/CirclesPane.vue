<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiFileCodeOutline, mdiFileDelimitedOutline, mdiSvg, mdiVectorLine } from '@mdi/js';
import { madeOf, isOfPlan, readCount, type Refusal } from '@pendrix/core';
import type { ExportOptions } from '@pendrix/core/exports/index';
import { useRoute } from 'vue-router';
import ChoiceField from '../../ui/ChoiceField.vue';
import { useExported } from './use-exported.ts';
import { useSaveExport } from '../../ui/exporting.ts';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';

/** Hole plates, dials, discs, Genevas, motor faces and the plates of the arbors at 1:1. */
const report = useReport();
const { tree } = useOpenDrive();
const route = useRoute();
const saveExport = useSaveExport();
const plates = computed(() => report.value.drive.plates?.plates ?? []);
const choices = computed(() =>
  madeOf(report.value)
    .drawings(tree.value?.planned ?? false)
    .map((c) => ({
      value: c.name,
      title: c.title,
    })),
);
/** the plan and its plates are those of all trains */
const drawn = computed(() =>
  isOfPlan(of.value) ? (tree.value?.drive ?? report.value.drive) : report.value.drive,
);
const dial = computed(() => of.value === 'dial' || of.value === 'vernier');
const asked = ref<string | null>(typeof route.query['of'] === 'string' ? route.query['of'] : null);
const of = computed(() =>
  choices.value.some((c) => c.value === asked.value) ? asked.value! : choices.value[0]!.value,
);
const circle = ref(typeof route.query['circle'] === 'string' ? route.query['circle'] : '');
const plate = computed(() =>
  of.value.startsWith('plate-') ? plates.value[Number(of.value.slice(6))] : undefined,
);
const circles = computed(() => [
  { value: '', title: 'all of them' },
  ...(plate.value ?? []).map((n) => ({ value: String(n), title: `${n} holes` })),
]);
const one = computed(() => (plate.value?.includes(Number(circle.value)) ? Number(circle.value) : null));
const numbers = ref<Readonly<Record<string, number>>>({ inner: 40, outer: 90, lines: 360, parts: 10 });
const put =
  (key: string, min: number, max: number, unit: string) =>
  (text: string): Refusal | null => {
    const read = readCount(text, { min, max, unit, example: String(numbers.value[key]) });
    if (!read.ok) return read.refusal;
    numbers.value = { ...numbers.value, [key]: read.value };
    return null;
  };
const options = computed<ExportOptions>(() => {
  const { inner, outer, lines, parts } = numbers.value as Readonly<
    Record<'inner' | 'outer' | 'lines' | 'parts', number>
  >;
  const radius = [plate.value && one.value === null ? Math.min(inner, outer) : outer, outer] as const;
  return {
    of: of.value,
    ...((plate.value || dial.value) && { radius }),
    ...(one.value !== null && { circle: one.value }),
    ...(dial.value && { lines }),
    ...(of.value === 'vernier' && { parts }),
  };
});
const picture = useExported(
  () => drawn.value,
  'svg',
  () => options.value,
);
const stem = computed(() => `${of.value}${one.value === null ? '' : `-${one.value}`}`);
</script>

<template>
  <Teleport defer to="#make-tools">
    <v-btn
      v-if="plate"
      variant="text"
      :prepend-icon="mdiFileDelimitedOutline"
      @click="saveExport(report.drive, 'csv', options, stem)"
      >List</v-btn
    >
    <v-btn
      v-if="plate"
      variant="text"
      :prepend-icon="mdiFileCodeOutline"
      @click="saveExport(report.drive, 'gcode', options, stem)"
      >G-code</v-btn
    >
    <v-btn variant="text" :prepend-icon="mdiSvg" @click="saveExport(drawn, 'svg', options, stem)">SVG</v-btn>
    <v-btn variant="text" :prepend-icon="mdiVectorLine" @click="saveExport(drawn, 'dxf', options, stem)"
      >DXF</v-btn
    >
  </Teleport>
  <div class="want">
    <ChoiceField
      class="which"
      label="Drawing"
      across
      :value="of"
      :options="choices"
      @choose="(v) => (asked = v)"
    />
    <ChoiceField
      v-if="plate"
      class="which"
      label="Circle"
      across
      :value="circle"
      :options="circles"
      @choose="(v) => (circle = v)"
    />
    <ReadField
      v-if="plate && one === null"
      label="Innermost"
      unit="mm"
      :value="String(numbers['inner'])"
      :commit="put('inner', 1, 2000, 'mm')"
    />
    <ReadField
      v-if="plate || dial"
      :label="plate && one === null ? 'Outermost' : 'Radius'"
      unit="mm"
      :value="String(numbers['outer'])"
      :commit="put('outer', 1, 2000, 'mm')"
    />
    <template v-if="dial">
      <ReadField label="Lines" :value="String(numbers['lines'])" :commit="put('lines', 2, 3600, 'lines')" />
      <ReadField
        v-if="of === 'vernier'"
        label="Parts"
        :value="String(numbers['parts'])"
        :commit="put('parts', 2, 100, 'parts')"
      />
    </template>
  </div>
  <div class="scroll main sheet" tabindex="0" role="region" aria-label="Drawing">
    <p v-if="picture.refusal" class="refusal" role="status">{{ picture.refusal }}</p>
    <!-- our own drawing, as the file holds it -->
    <img v-else-if="picture.url" :src="picture.url" :alt="`${of}, as it is drawn at 1:1`" />
    <p class="quiet says">
      Drawn at 1:1 in the file{{ plate ? ', hole 0 to the right and counter-clockwise' : '' }}; measure the
      line of 100 mm on the print before you drill. Spot all holes before one is drilled through.
    </p>
  </div>
</template>

<style scoped src="./make.css"></style>
<style scoped>
.want {
  --field-width: 5.75rem;
}
.which {
  --field-width: 9.375rem;
}
.sheet {
  padding: 0.75rem 1.25rem;
}
/* paper is white; by night it is turned about to red on black */
:root[data-theme='night'] img {
  filter: invert(1) grayscale(1) sepia(1) saturate(7) hue-rotate(-45deg) brightness(0.7);
  border-color: transparent;
}
img {
  display: block;
  max-width: 100%;
  max-height: 70vh;
  background: #fff;
  border: 1px solid var(--p-hair);
  margin-bottom: 0.625rem;
}
</style>
