<script setup lang="ts">
import { madeOf } from '@pendrix/core';
import { computed } from 'vue';
import { mdiFileDelimitedOutline } from '@mdi/js';
import { useShelf } from '../../stores/shelf.ts';
import { useSaveExport } from '../../ui/exporting.ts';
import GradeTag from '../../ui/GradeTag.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';

/** Belts: which length, how far apart its shafts stand, how many teeth the small pulley holds. */
const { edit } = useOpenDrive();
const report = useReport();
const shelf = useShelf();
const saveExport = useSaveExport();
const belts = computed(() => madeOf(report.value).belts(shelf.parts));
const choose = (stage: number, teeth: number): void =>
  void edit({ do: 'stage', at: stage, key: 'beltTeeth', text: String(teeth) });
</script>

<template>
  <Teleport defer to="#make-tools">
    <v-btn
      v-if="belts.length > 0"
      variant="text"
      :prepend-icon="mdiFileDelimitedOutline"
      @click="saveExport(report.drive, 'csv', { of: 'belts' }, 'belts')"
      >CSV</v-btn
    >
  </Teleport>
  <div v-if="belts.length === 0" class="teach">
    <h3>No belt in this train</h3>
    <p class="quiet">
      Two pulleys or sprockets in the train: then each length of belt stands here with its centre distance.
    </p>
  </div>
  <div v-else class="scroll main" tabindex="0" role="region" aria-label="Belts">
    <section v-for="b in belts" :key="b.stage" class="belt" :aria-label="b.title">
      <h3>{{ b.title }}</h3>
      <table>
        <thead>
          <tr>
            <th scope="col">Teeth of the belt</th>
            <th scope="col">centre, mm</th>
            <th scope="col">short formula</th>
            <th scope="col">teeth in mesh</th>
            <th scope="col">on the shelf</th>
            <th scope="col">grade</th>
            <th scope="col"><span class="sr-only">take it</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in b.lines" :key="l.teeth" :class="{ on: l.chosen }">
            <th scope="row">{{ l.teeth }}</th>
            <td>{{ l.centre }}</td>
            <td>{{ l.rough }}</td>
            <td>{{ l.inMesh }}</td>
            <td>{{ l.own ?? '–' }}</td>
            <td class="words"><GradeTag :graded="l.graded" /></td>
            <td class="words">
              <span v-if="l.chosen" class="quiet">in the train</span>
              <v-btn v-else-if="l.centre !== '–'" variant="text" @click="choose(b.stage, l.teeth)"
                >Take it</v-btn
              >
            </td>
          </tr>
        </tbody>
      </table>
      <p class="quiet says">{{ b.message }}</p>
    </section>
  </div>
</template>

<style scoped src="./make.css"></style>
<style scoped>
.belt {
  padding: 0.75rem 1.25rem;
  border-bottom: 1px solid var(--p-hair);
}
.words {
  font-family: var(--text);
}
.on {
  background: var(--p-surface);
  box-shadow: inset 3px 0 var(--p-blue);
}
</style>
