<script setup lang="ts">
import { computed } from 'vue';
import { mdiFileDelimitedOutline } from '@mdi/js';
import { madeOf, duties, dutiesIn, type Refusal } from '@pendrix/core';
import { useShelf } from '../../stores/shelf.ts';
import BenchForms from '../../ui/BenchForms.vue';
import { save } from '../../ui/files.ts';
import InputFields from '../../ui/InputFields.vue';
import MarkIcon from '../../ui/MarkIcon.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';

/** What has to fit, shaft by shaft, and what it is built of, against the shelf. */
const { edit, tree, output } = useOpenDrive();
const report = useReport();
const shelf = useShelf();
const drive = computed(() => report.value.drive);
/** a train that hangs on another has only what lies beyond it */
const shared = computed(() => {
  const its = tree.value?.outputs[output.value];
  return its?.from ? its.shared : null;
});
const fits = computed(() => madeOf(report.value).fits(shelf.parts, shared.value));
const printed = computed(() => drive.value.train.stages.some((s) => s.quality === 'printed'));
const printer = computed(() => dutiesIn(drive.value, 'printer')[0] ?? {});
function setPrinter(key: string, text: string, session?: string): Refusal | null {
  if (dutiesIn(drive.value, 'printer').length === 0) {
    const refused = edit({ do: 'addDuty', duty: 'printer' }, session);
    if (refused) return refused;
  }
  return edit({ do: 'duty', duty: 'printer', at: 0, key, text }, session);
}
async function saveParts(): Promise<void> {
  const { writeCsv } = await import('@pendrix/core/files/csv');
  const from = { shelf: shelf.parts, shared: shared.value };
  const parts = madeOf(report.value)
    .tables(from)
    .find((t) => t.id === 'parts');
  if (parts) save('parts.csv', writeCsv(parts.head, parts.rows), 'text/csv');
}
</script>

<template>
  <Teleport defer to="#make-tools">
    <v-btn variant="text" :prepend-icon="mdiFileDelimitedOutline" @click="saveParts">Parts</v-btn>
  </Teleport>
  <div class="scroll main fits" tabindex="0" role="region" aria-label="Fits">
    <section aria-label="Shafts">
      <h3>Shafts</h3>
      <table>
        <thead>
          <tr>
            <th scope="col">Shaft</th>
            <th scope="col">⌀ mm</th>
            <th scope="col" class="words">on it</th>
            <th scope="col" class="words">wants, length</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="(s, i) in fits.shafts" :key="i">
            <tr>
              <th scope="row">{{ s.name }}</th>
              <td>{{ s.diameter }}</td>
              <td class="words">{{ s.sits.join('; ') }}</td>
              <td class="words">{{ s.wants }}; {{ s.length }}</td>
            </tr>
            <tr v-if="s.trouble" class="trouble">
              <td colspan="4" class="words"><MarkIcon name="misses" /> {{ s.trouble }}</td>
            </tr>
          </template>
        </tbody>
      </table>
      <p v-for="t in fits.troubles" :key="t" class="refusal says"><MarkIcon name="misses" /> {{ t }}</p>
      <p v-for="n in fits.notes" :key="n" class="quiet says">{{ n }}</p>
    </section>
    <section v-if="printed" aria-label="Printer">
      <h3>Printer <small class="quiet">a coupon tells how its holes come out; drawings use it</small></h3>
      <InputFields :specs="duties.printer.inputs" :data="printer" :set="setPrinter" />
    </section>
    <section aria-label="Parts">
      <h3>Parts <small class="quiet">against the shelf</small></h3>
      <table>
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col" class="words">size</th>
            <th scope="col">need</th>
            <th scope="col">have</th>
            <th scope="col">lack</th>
            <th scope="col">price</th>
            <th scope="col" class="words">would do instead</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(p, i) in fits.parts" :key="i" :class="{ lack: p.lack > 0 }">
            <th scope="row">{{ p.what }}</th>
            <td class="words">{{ p.size }}</td>
            <td>{{ p.need }}</td>
            <td>{{ p.have }}</td>
            <td>{{ p.lack > 0 ? p.lack : '–' }}</td>
            <td>{{ p.price }}</td>
            <td class="words">{{ p.instead }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet says">{{ fits.costs }}</p>
    </section>
    <h3 class="reckon">Reckon a fit</h3>
    <BenchForms :forms="madeOf(report).fitForms" />
  </div>
</template>

<style scoped src="./make.css"></style>
<style scoped>
.fits {
  padding: 0.625rem 1.25rem;
}
section {
  padding-bottom: 0.75rem;
}
:is(td, th):nth-child(2) {
  white-space: nowrap;
}
.words {
  font-family: var(--text);
  text-align: left;
}
.trouble td {
  color: var(--p-red);
}
.refusal {
  margin-inline: 0;
  color: var(--p-red);
}
.lack {
  background: var(--p-amber-ground);
}
.reckon {
  padding-top: 0.25rem;
}
</style>
