<script setup lang="ts">
import { computed, h, ref } from 'vue';
import { useRoute } from 'vue-router';
import { mdiContentCopy, mdiFileDelimitedOutline, mdiPrinterOutline } from '@mdi/js';
import { plainText, workingAsText, type PlateRow, type Plates, type Refusal } from '@pendrix/core';
import { useCopy } from '../../ui/copy.ts';
import { useSaveExport } from '../../ui/exporting.ts';
import GradeTag from '../../ui/GradeTag.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';
import RichText from '../../ui/RichText.vue';
import CheckHead from './CheckHead.vue';
import MakePlate from './MakePlate.vue';
import PlateChart from './PlateChart.vue';
import { usePrintSheet } from '../../ui/printing.ts';
import PrintedPlates from './PrintedPlates.vue';
import PlateDrawing from '../../ui/PlateDrawing.vue';
import TwoColumns from '../../ui/TwoColumns.vue';
import { sized } from '../../ui/rem.ts';

/** Dividing by hand: which circle, how many holes, and what to make when none serves. */
const { edit } = useOpenDrive();
const report = useReport();
const saveExport = useSaveExport();
const route = useRoute();
const copy = useCopy();
const plates = computed(() => report.value.plates);
const chosen = ref<number | null>(null);
const selected = computed(() => chosen.value ?? plates.value?.rows[0]?.divisions ?? null);
const opened = computed(() =>
  selected.value === null ? null : (plates.value?.opened(selected.value) ?? null),
);
const making = ref(false);
const choice = ref(0);
const fresh = computed(
  () =>
    plates.value?.fresh.choices[choice.value] ??
    plates.value?.fresh.choices[0] ??
    plates.value?.fresh.most ??
    null,
);
/** The circle that is offered to be made: what the opened count lacks, else the first of the best new plate. */
const toMake = computed(() => fresh.value?.circles[0]?.holes ?? 26);

const EXAMPLE = '15-20 / 21 23 27 29 31 33 / 37 39 41 43 47 49';
const set =
  (key: keyof Plates) =>
  (text: string, editSession?: string): Refusal | null =>
    edit({ do: 'plates', key, text }, editSession);
const setDivisions = (text: string, editSession: string): Refusal | null =>
  edit({ do: 'divisions', text }, editSession);

const saveCsv = (): Promise<void> => saveExport(report.value.drive, 'csv', { of: 'plates' }, 'plates');
const print = usePrintSheet(() =>
  plates.value
    ? h(PrintedPlates, { title: report.value.drive.name, plates: plates.value, opened: opened.value })
    : null,
);
const copyWorking = async (): Promise<void> => {
  if (opened.value) await copy(workingAsText(opened.value.figure), 'The working is');
};
</script>

<template>
  <TwoColumns aside="One count by the plates" shares="minmax(0, 716fr) minmax(0, 484px)">
    <CheckHead open="plates">
      <v-btn v-if="plates" variant="text" :prepend-icon="mdiFileDelimitedOutline" @click="saveCsv"
        >Chart</v-btn
      >
    </CheckHead>
    <div class="scroll main">
      <div v-if="!plates" class="teach">
        <h3>No plates yet</h3>
        <p class="quiet">
          Write the hole circles of your plates, a slash between two plates; the worm is the train’s own
          unless you write another.
        </p>
        <v-btn @click="set('plates')(EXAMPLE)">Begin with three plates of 15 to 49</v-btn>
      </div>
      <template v-else>
        <p v-if="plates.offer" class="offer">
          {{ plates.offer.message }}
          <v-btn variant="text" @click="edit(plates.offer.edit)">{{ plates.offer.title }}</v-btn>
        </p>
        <div class="want">
          <ReadField
            class="worm"
            label="Worm"
            :value="plates.wormField"
            :placeholder="plainText([`${report.kinematics.reduction.n}`])"
            unit=": 1"
            hint="the train’s own when it is empty"
            :commit="set('wormRatio')"
          />
          <ReadField class="circles" label="Circles" :value="plates.circles" :commit="set('plates')" />
          <span class="quiet count">{{ plates.message }}</span>
          <ReadField
            class="wanted"
            label="Wanted"
            :value="report.drive.job.divisions"
            placeholder="60, 73-76"
            :commit="setDivisions"
          />
          <ReadField
            class="gears"
            label="Change wheels"
            :value="plates.gears"
            placeholder="none"
            :commit="set('gears')"
          />
          <ReadField
            class="most"
            label="Most holes"
            :value="String(plates.mostHoles)"
            :commit="set('mostHoles')"
          />
        </div>
        <v-data-table-virtual
          v-if="plates.rows.length > 0"
          v-focus-scroll
          class="rows"
          :items="plates.rows as PlateRow[]"
          :item-height="sized(36)"
          item-value="divisions"
          :height="plates.rows.length > 8 ? 330 : undefined"
        >
          <template #colgroup
            ><caption class="sr-only">
              Wanted counts
            </caption></template
          >
          <template #headers>
            <tr>
              <th scope="col">Wanted</th>
              <th scope="col">Turns</th>
              <th scope="col">Grade</th>
              <th scope="col">Move the crank</th>
              <th scope="col">Plate</th>
              <th scope="col" class="num">Arms over</th>
              <th scope="col">Also</th>
            </tr>
          </template>
          <template #item="{ item: row }">
            <tr
              :key="row.divisions"
              :class="{ on: row.divisions === selected }"
              :data-key="row.divisions"
              @click="chosen = row.divisions"
            >
              <th scope="row">
                <v-btn
                  class="count mono"
                  variant="text"
                  :aria-pressed="row.divisions === selected"
                  @click.stop="chosen = row.divisions"
                  >{{ row.divisions }}</v-btn
                >
              </th>
              <td><RichText :text="row.turns" /></td>
              <td><GradeTag :graded="row.graded" /></td>
              <td>
                <RichText :text="row.move" /><span class="under quiet">{{
                  [row.plate, row.also].filter(Boolean).join(', ')
                }}</span>
              </td>
              <td>{{ row.plate }}</td>
              <td class="num">{{ row.arms }}</td>
              <td class="quiet">{{ row.also }}</td>
            </tr>
          </template>
        </v-data-table-virtual>
        <div v-if="plates.freshMessage" class="warn fresh">
          <div>
            <p>
              <b>{{ plates.freshMessage.strong }}</b>
            </p>
            <p>{{ plates.freshMessage.rest }}</p>
            <p v-if="fresh" class="chips">
              <span v-for="c in fresh.circles" :key="c.holes" class="chip"
                ><b>{{ c.holes }}</b> serves {{ c.serves.join(', ') }}</span
              >
            </p>
          </div>
          <div class="keys">
            <v-btn v-if="fresh" variant="flat" @click="making = !making">{{
              making ? 'Put the list away' : 'Make this plate'
            }}</v-btn>
            <v-btn
              v-if="plates.fresh.choices.length > 1"
              @click="choice = (choice + 1) % plates.fresh.choices.length"
              >Another choice</v-btn
            >
          </div>
        </div>
        <MakePlate v-if="making" :key="toMake" :plates="plates" :circle="toMake" />
        <PlateChart
          :plates="plates"
          :wanted="report.counts"
          :selected="selected"
          @choose="(d) => (chosen = d)"
        />
      </template>
    </div>
    <template #aside>
      <template v-if="opened">
        <header class="sub">
          <h3>{{ opened.title }}</h3>
          <v-spacer />
          <v-btn variant="text" :prepend-icon="mdiPrinterOutline" @click="print">Sheet</v-btn>
        </header>
        <div v-if="opened.picture" class="picture">
          <PlateDrawing :picture="opened.picture" :title="`${opened.title}, seen from the crank`" />
          <div class="beside">
            <p>
              <b>plate {{ opened.picture.plate + 1 }}</b
              >{{ opened.picture.message }}
            </p>
            <p v-for="m in opened.picture.moves" :key="m.circle">
              <b class="big">{{ String(m.holes).replace('-', '−') }}</b>{{
                Math.abs(m.holes) === 1 ? 'hole' : 'holes'
              }}
              on {{ m.circle }}
            </p>
            <p v-if="opened.picture.arms">
              arms over <b class="inline">{{ opened.picture.moves[0]!.holes + 1 }}</b>
            </p>
            <p class="from">seen from the crank</p>
            <p>
              <RouterLink
                :to="{
                  name: 'make',
                  params: route.params,
                  query: {
                    tab: 'circles',
                    of: `plate-${opened.picture.plate}`,
                    circle: opened.picture.moves[0]?.circle,
                  },
                }"
                >Drill and draw this circle</RouterLink
              >
            </p>
          </div>
        </div>
        <div class="block">
          <div class="head">
            <h3>Working</h3>
            <GradeTag :graded="opened.graded" />
            <v-spacer />
            <v-btn variant="text" :prepend-icon="mdiContentCopy" @click="copyWorking">Copy as text</v-btn>
          </div>
          <dl class="work">
            <div v-for="(l, i) in opened.figure.working()" :key="i">
              <dt>{{ l.label }}</dt>
              <dd><RichText :text="l.text" /></dd>
              <dd class="exact">{{ l.exact ? 'exact' : '' }}</dd>
            </div>
          </dl>
        </div>
        <div class="block">
          <h3>At each division</h3>
          <ol class="steps">
            <li v-for="s in opened.procedure" :key="s">{{ s }}</li>
          </ol>
        </div>
        <div
          v-if="opened.simple.length + opened.compound.length + opened.differential.length > 1"
          class="block"
        >
          <h3>All ways</h3>
          <ul class="waylist">
            <li v-for="(w, i) in [...opened.simple, ...opened.compound, ...opened.differential]" :key="i">
              <RichText :text="w" />
            </li>
          </ul>
        </div>
      </template>
      <div v-else class="teach">
        <p class="quiet">Choose a count in the chart, or write what you want.</p>
      </div>
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
<style scoped src="./plates.css"></style>
