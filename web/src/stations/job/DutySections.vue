<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { mdiArrowRight, mdiChevronDown, mdiClose, mdiPlus } from '@mdi/js';
import { ratePeriods, type DutyId, type DutyReport } from '@pendrix/core';
import GradeTag from '../../ui/GradeTag.vue';
import InputFields from '../../ui/InputFields.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import RateFields from '../../ui/RateFields.vue';
import { useDuty } from '../../ui/use-duty.ts';

/** What the drive must do besides dividing: rates that are kept up, sweeps, speeds, and what goes with them. */
const { edit } = useOpenDrive();
const report = useReport();
const route = useRoute();
const rates = useDuty('rates');
const sweeps = useDuty('sweeps');
const spins = useDuty('spins');
const duties = computed(() => report.value.duties);
const MAIN = ['from', 'to', 'unit', 'frames', 'easing', 'minRpm', 'maxRpm'];
const main = (specs: typeof sweeps.specs) => specs.filter((s) => MAIN.includes(s.key));
const framed = computed(() => [
  { tab: 'sweep', kind: '', reports: duties.value.sweeps, fields: sweeps },
  { tab: 'spin', kind: 'Speed range', reports: duties.value.spins, fields: spins },
]);
const NAMED = Object.entries(ratePeriods).map(([value, { title }]) => ({ value, title }));

const follow = (e: Event): void => {
  const select = e.target as HTMLSelectElement;
  if (select.value !== '')
    rates.add({ kind: select.value, ...(select.value === 'period' ? { seconds: '86400' } : {}) });
  select.value = '';
};
/** What goes with them; each is filled in at Check. */
const others = computed<readonly { id: DutyId; title: string; tab: string; duty: DutyReport | null }[]>(
  () => [
    { id: 'camera', title: 'Camera', tab: 'camera', duty: duties.value.camera },
    { id: 'altAz', title: 'Altitude and azimuth', tab: 'camera', duty: duties.value.altAz },
    { id: 'knob', title: 'Hand knob', tab: 'spin', duty: duties.value.knob },
  ],
);
const to = (tab: string) => ({ name: 'check', params: route.params, query: { tab } });
</script>

<template>
  <div class="sec">
    <h3>Follow<small>a rate, kept up</small></h3>
    <div class="list">
      <div v-for="(r, at) in duties.rates" :key="r.key" class="one">
        <RateFields compact :at="at" />
        <RouterLink class="see" :to="to('rate')"
          ><GradeTag :graded="r.graded" /><span class="sr-only">{{ r.name }}, see it at Check</span
          ><v-icon :icon="mdiArrowRight" size="16"
        /></RouterLink>
      </div>
      <div class="more">
        <label class="sr-only" for="follow">Follow a rate</label>
        <span class="fld pick"
          ><select id="follow" @change="follow">
            <option value="">{{ duties.rates.length === 0 ? 'Nothing yet' : 'One more rate' }}</option>
            <option v-for="n in NAMED" :key="n.value" :value="n.value">{{ n.title }}</option></select
          ><v-icon class="chevron" :icon="mdiChevronDown" size="18"
        /></span>
        <span class="quiet">for example stars, half the sun, 1 turn in 24 h, 0.5 mm/min</span>
      </div>
    </div>
  </div>
  <div class="sec">
    <h3>Camera moves<small>frames and speeds</small></h3>
    <div class="list">
      <template v-for="group in framed" :key="group.tab">
        <div v-for="(d, at) in group.reports" :key="d.key" class="one">
          <span v-if="group.kind" class="kind">{{ group.kind }}</span>
          <div class="short">
            <InputFields
              across
              :specs="main(group.fields.specs)"
              :data="group.fields.list.value[at]!"
              :set="group.fields.set(at)"
            />
          </div>
          <RouterLink class="see" :to="to(group.tab)"
            ><GradeTag v-if="d.graded" :graded="d.graded" /><span class="sr-only"
              >{{ d.title }}, see it at Check</span
            ><v-icon :icon="mdiArrowRight" size="16"
          /></RouterLink>
          <button
            type="button"
            class="icon-button"
            :aria-label="`Take ${d.title} away`"
            @click="group.fields.remove(at)"
          >
            <v-icon :icon="mdiClose" size="18" />
          </button>
        </div>
      </template>
      <div class="more">
        <v-btn variant="text" :prepend-icon="mdiPlus" @click="sweeps.add()">Sweep</v-btn>
        <v-btn variant="text" :prepend-icon="mdiPlus" @click="spins.add()">Speed range</v-btn>
        <template v-for="o in others" :key="o.id">
          <v-btn v-if="o.duty" variant="text" :to="to(o.tab)" :append-icon="mdiArrowRight">{{
            o.title
          }}</v-btn>
          <v-btn v-else variant="text" :prepend-icon="mdiPlus" @click="edit({ do: 'addDuty', duty: o.id })">{{
            o.title
          }}</v-btn>
        </template>
        <v-btn v-if="duties.arm" variant="text" :to="to('arm')" :append-icon="mdiArrowRight"
          >Tangent arm</v-btn
        >
        <v-btn
          v-else
          variant="text"
          :prepend-icon="mdiPlus"
          @click="edit({ do: 'outputKind', kind: 'tangentArm' })"
          >Tangent arm</v-btn
        >
        <v-btn v-if="report.plates" variant="text" :to="to('plates')" :append-icon="mdiArrowRight"
          >Plates</v-btn
        >
        <v-btn
          v-else
          variant="text"
          :prepend-icon="mdiPlus"
          @click="
            edit({ do: 'plates', key: 'plates', text: '15-20 / 21 23 27 29 31 33 / 37 39 41 43 47 49' })
          "
          >Plates</v-btn
        >
      </div>
    </div>
  </div>
</template>

<style scoped src="./job.css"></style>
<style scoped>
.list {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
}
.one {
  display: flex;
  align-items: flex-start;
  gap: 8px;
}
.one > :first-child:not(.kind),
.kind + * {
  flex: 1;
}
.kind,
.see {
  line-height: 32px;
  font-size: 14px;
  white-space: nowrap;
}
.see {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  text-decoration: none;
  color: var(--p-blue);
}
.short {
  --field-width: 66px;
}
.more {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  font-size: 14px;
}
.more .v-btn {
  margin-left: -10px;
}
.pick {
  width: 180px;
}
</style>
