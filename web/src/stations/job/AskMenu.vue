<script setup lang="ts">
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { mdiArrowRight, mdiPlus } from '@mdi/js';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import { useDuty } from '../../ui/use-duty.ts';

/** One list of what a drive can be asked besides dividing, each with what it is for. What is asked already leads to where it is judged. */
const { edit } = useOpenDrive();
const report = useReport();
const route = useRoute();
const router = useRouter();
const rates = useDuty('rates');
const sweeps = useDuty('sweeps');
const spins = useDuty('spins');

interface Ask {
  readonly title: string;
  readonly purpose: string;
  readonly tab: string;
  /** it is there already, and there is one of it */
  readonly there: boolean;
  readonly add: () => void;
}
const PLATES = '15-20 / 21 23 27 29 31 33 / 37 39 41 43 47 49';
const asks = computed<readonly Ask[]>(() => {
  const { camera, altAz, knob, arm } = report.value.duties;
  return [
    {
      title: 'Rate',
      purpose: 'the stars, the sun, a tide, or one turn in 24 h: kept up by steps',
      tab: 'rate',
      there: false,
      add: () => rates.add(),
    },
    {
      title: 'Sweep',
      purpose: 'a camera slide or a turn, frame by frame',
      tab: 'sweep',
      there: false,
      add: () => sweeps.add(),
    },
    {
      title: 'Speed range',
      purpose: 'how fast the motor must turn for the speeds at the work',
      tab: 'spin',
      there: false,
      add: () => spins.add(),
    },
    {
      title: 'Camera',
      purpose: 'lens and pixels: what a drift looks like in the picture',
      tab: 'camera',
      there: camera !== null,
      add: () => edit({ do: 'addDuty', duty: 'camera' }),
    },
    {
      title: 'Altitude and azimuth',
      purpose: 'two axes that are not polar, and how the picture turns',
      tab: 'camera',
      there: altAz !== null,
      add: () => edit({ do: 'addDuty', duty: 'altAz' }),
    },
    {
      title: 'Hand knob',
      purpose: 'a knob on the shaft: how far one mark turns the work',
      tab: 'spin',
      there: knob !== null,
      add: () => edit({ do: 'addDuty', duty: 'knob' }),
    },
    {
      title: 'Tangent arm',
      purpose: 'a screw that opens a hinge, as in a barn door',
      tab: 'arm',
      there: arm !== null,
      add: () => edit({ do: 'outputKind', kind: 'tangentArm' }),
    },
    {
      title: 'Hole plates',
      purpose: 'dividing by hand: which circle, how many holes',
      tab: 'plates',
      there: report.value.plates !== null,
      add: () => edit({ do: 'plates', key: 'plates', text: PLATES }),
    },
  ];
});
const see = (tab: string): void => void router.push({ name: 'check', params: route.params, query: { tab } });
const there = computed(() => asks.value.filter((a) => a.there));
</script>

<template>
  <div class="d-flex flex-wrap align-center ga-2">
    <v-menu location="bottom start">
      <template #activator="{ props }">
        <v-btn v-bind="props" :prepend-icon="mdiPlus">Add a rate, a sweep, a camera…</v-btn>
      </template>
      <v-list>
        <v-list-item
          v-for="a in asks"
          :key="a.title"
          :title="a.title"
          :subtitle="a.purpose"
          :prepend-icon="a.there ? mdiArrowRight : mdiPlus"
          @click="a.there ? see(a.tab) : a.add()"
        />
      </v-list>
    </v-menu>
    <v-btn
      v-for="a in there"
      :key="a.title"
      variant="text"
      :append-icon="mdiArrowRight"
      @click="see(a.tab)"
      >{{ a.title }}</v-btn
    >
  </div>
</template>
