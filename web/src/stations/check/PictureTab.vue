<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue';
import {
  mdiCameraPlusOutline,
  mdiDiceMultipleOutline,
  mdiFileDelimitedOutline,
  mdiImageOutline,
  mdiStop,
} from '@mdi/js';
import {
  angleText,
  measured,
  pictureCharts,
  pictureMessage,
  readCount,
  SEED,
  type Refusal,
} from '@pendrix/core';
import { useNotices } from '../../stores/notices.ts';
import { useSettings } from '../../stores/settings.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import { DutyChart } from '../../ui/duty-chart.ts';
import { fileStem, save } from '../../ui/files.ts';
import InputFields from '../../ui/InputFields.vue';
import { useReport } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';
import { savePng } from '../../ui/save-drawing.ts';
import TwoColumns from '../../ui/TwoColumns.vue';
import { useDuty } from '../../ui/use-duty.ts';
import CheckHead from './CheckHead.vue';
import CutWheels from './pictures/CutWheels.vue';
import RippleDisc from './pictures/RippleDisc.vue';
import SlideFrames from './pictures/SlideFrames.vue';
import StarCanvas from './pictures/StarCanvas.vue';
import { starSheet } from './pictures/pixels.ts';
import { usePicture } from './pictures/use-picture.ts';

/** What the drive would make of its work, simulated from its own error budget: stars, a wheel, a turn, frames. */
const report = useReport();
const settings = useSettings();
const notices = useNotices();
const cameras = useDuty('camera');
const choices = computed(() => report.value.judged.pictures);
const asked = ref<string | null>(null);
const key = computed(() => {
  const all = choices.value;
  return (all.find((c) => c.key === asked.value) ?? all[0])?.key ?? null;
});
const seed = ref(SEED);
const setSeed = (text: string): Refusal | null => {
  const read = readCount(text, { min: 0, max: 999_999_999, unit: 'seed', example: '7' });
  if (!read.ok) return read.refusal;
  seed.value = read.value;
  return null;
};
const { picture, progress, stopped, failed, stop, again } = usePicture(() => ({
  drive: report.value.drive,
  key: key.value,
  seed: seed.value,
}));
/** only what is of the choice that is open: another kind would be drawn as if it were this one */
const shown = computed(() =>
  picture.value && key.value?.split('.')[0] === picture.value.kind ? picture.value : null,
);
const charts = computed(() => (shown.value ? pictureCharts(shown.value) : []));
const message = computed(() => shown.value && pictureMessage(shown.value));
const drawn = useTemplateRef<{ svg: SVGSVGElement | null }>('drawn');

const stem = async (): Promise<string> => `${await fileStem(report.value.drive)}-${shown.value?.kind ?? ''}`;
async function saveCsv(part?: 'shares'): Promise<void> {
  if (!shown.value) return;
  const { pictureCsv } = await import('@pendrix/core/files/index');
  save(`${await stem()}${part ? `-${part}` : ''}.csv`, pictureCsv(shown.value, part), 'text/csv');
}
async function savePicture(): Promise<void> {
  const now = shown.value;
  if (!now) return;
  try {
    if (now.kind === 'track') {
      const sheet = await starSheet(now.stars, settings.night);
      if (!sheet) throw new Error('no picture');
      save(`${await stem()}.png`, sheet, 'image/png');
    } else if (drawn.value?.svg) await savePng(await stem(), drawn.value.svg);
  } catch {
    notices.tell({ message: 'The picture could not be made. Save its data as CSV instead.', tone: 'bad' });
  }
}
</script>

<template>
  <TwoColumns aside="Picture" shares="minmax(0, 716fr) minmax(0, 484px)" :wide="choices.length === 0">
    <CheckHead open="picture">
      <template v-if="shown">
        <v-btn
          v-if="shown.kind !== 'track' || shown.stars.length > 0"
          variant="text"
          :prepend-icon="mdiImageOutline"
          @click="savePicture"
          >PNG</v-btn
        >
        <v-btn variant="text" :prepend-icon="mdiFileDelimitedOutline" @click="saveCsv()">CSV</v-btn>
      </template>
    </CheckHead>
    <div v-if="choices.length === 0" class="teach">
      <h3>Nothing to picture yet</h3>
      <p class="quiet">
        Ask in the Job for counts, a rate, a range of speeds or a sweep: then what the drive would make of it
        is simulated from its own errors, and drawn.
      </p>
    </div>
    <template v-else>
      <div class="want">
        <ChoiceField
          label="Picture of"
          :value="key ?? ''"
          :options="choices.map((c) => ({ value: c.key, title: c.title }))"
          @choose="(v) => (asked = v)"
        />
        <ReadField class="seed" label="Seed" :value="String(seed)" :commit="setSeed" />
        <v-btn
          variant="text"
          :prepend-icon="mdiDiceMultipleOutline"
          @click="seed = (seed + 1) % 1_000_000_000"
          >Another start</v-btn
        >
        <v-spacer />
        <template v-if="progress !== null">
          <span class="busy" role="status">Simulating, {{ Math.round(progress * 100) }} %</span>
          <v-btn :prepend-icon="mdiStop" @click="stop">Stop</v-btn>
        </template>
        <v-btn v-else-if="stopped || failed" @click="again">Simulate again</v-btn>
      </div>
      <div class="scroll main">
        <p v-if="failed" class="warn" role="status">
          The simulation came to nothing. Try another start, or say fewer things at once.
        </p>
        <p v-else-if="stopped" class="warn" role="status">
          Stopped: what stands here is of before{{ shown ? '' : ', nothing yet' }}.
        </p>
        <DutyChart v-for="c in charts" :key="c.key" :chart="c" :tall="charts.length === 1" />
        <table v-if="shown?.kind === 'track' && shown.waves.length > 0" class="waves">
          <caption class="sr-only">
            What comes again
          </caption>
          <thead>
            <tr>
              <th scope="col">What comes again</th>
              <th scope="col" class="num">every</th>
              <th scope="col" class="num">in the budget</th>
              <th scope="col" class="num">found in the record</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="w in shown.waves" :key="w.periodSeconds">
              <th scope="row">{{ w.title }}</th>
              <td class="num">{{ measured(w.periodSeconds) }} s</td>
              <td class="num">±{{ angleText(w.arcsec) }}</td>
              <td class="num">{{ w.found === null ? 'too short to tell' : `±${angleText(w.found)}` }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="shown?.kind === 'track' && shown.shares.length > 0" class="actions">
          <v-btn variant="text" :prepend-icon="mdiFileDelimitedOutline" @click="saveCsv('shares')"
            >CSV of the shares</v-btn
          >
        </p>
      </div>
    </template>
    <template #aside>
      <header class="sub">
        <h2>Picture</h2>
        <span class="q">{{
          shown?.kind === 'track' ? 'the worst start of each length' : (shown?.title ?? '')
        }}</span>
      </header>
      <template v-if="key === 'track'">
        <div v-if="cameras.list.value[0]" class="camera">
          <InputFields across :specs="cameras.specs" :data="cameras.list.value[0]" :set="cameras.set(0)" />
        </div>
        <div v-else class="teach">
          <p class="quiet">Say which camera looks along, and the stars are drawn as its sensor sees them.</p>
          <v-btn :prepend-icon="mdiCameraPlusOutline" @click="cameras.add()">Give a camera</v-btn>
        </div>
      </template>
      <div v-if="shown?.kind === 'track'" class="stars" :class="{ old: progress !== null }">
        <StarCanvas v-for="s in shown.stars" :key="s.title" :star="s" />
      </div>
      <CutWheels v-else-if="shown?.kind === 'divide'" ref="drawn" :picture="shown" :size="214" />
      <div v-else-if="shown?.kind === 'spin'" class="drawing">
        <RippleDisc ref="drawn" :picture="shown" />
      </div>
      <div v-else-if="shown?.kind === 'sweep'" class="drawing">
        <SlideFrames ref="drawn" :picture="shown" />
      </div>
      <p v-if="message" class="say">
        <b>{{ message.strong }}</b> {{ message.rest }}
      </p>
      <p v-if="shown" class="quiet foot">
        Simulated with seed {{ shown.seed
        }}<template v-if="shown.kind === 'track'">: made-up stars 1.7 px wide</template>; estimates are taken
        as they stand until they are measured.
      </p>
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
<style scoped>
.want {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 1rem;
  min-height: 3rem;
  padding: 0.375rem 1rem 0.375rem 1.25rem;
  border-bottom: 1px solid var(--p-hair);
  --field-width: 10rem;
}
.seed {
  --field-width: 4.5rem;
}
.busy {
  color: var(--p-blue);
  font-weight: 650;
  font-size: 0.875rem;
}
.waves {
  width: 100%;
  border-collapse: collapse;
  font-size: 0.875rem;
}
.waves :is(th, td) {
  text-align: left;
  font-weight: 400;
  padding: 0.1875rem 0.75rem 0.1875rem 1.25rem;
  border-bottom: 1px solid var(--p-row);
}
.waves thead th,
.waves thead th.num {
  font-family: var(--text);
  color: var(--p-quiet);
  font-size: 0.8125rem;
}
.waves .num {
  text-align: right;
}
.waves td.num {
  font-family: var(--mono);
}
.camera {
  padding: 0.5rem 1rem;
}
.stars {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.25rem 0.75rem;
  padding: 0.5rem 1rem;
}
.old {
  opacity: 0.6;
}
.drawing {
  background: var(--p-ground);
  display: flex;
  justify-content: center;
  padding: 0.75rem 1rem;
}
.say {
  padding: 0.625rem 1rem 0;
  font-size: 0.9375rem;
  line-height: 1.25rem;
}
.foot {
  padding: 0.375rem 1rem 0.75rem;
  font-size: 0.84375rem;
}
</style>
