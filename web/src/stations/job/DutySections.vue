<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { mdiArrowRight, mdiClose } from '@mdi/js';
import { asking, duties as specs, kindOfDuty, type DutyId, type InputSpec } from '@pendrix/core';
import GradeTag from '../../ui/GradeTag.vue';
import IconButton from '../../ui/IconButton.vue';
import InputFields from '../../ui/InputFields.vue';
import { useReport } from '../../ui/open-drive.ts';
import RateFields from '../../ui/RateFields.vue';
import { useDuty } from '../../ui/use-duty.ts';
import AskMenu from './AskMenu.vue';

/** What the drive must do besides dividing: what is asked, and one list of all that can be. */
const report = useReport();
const route = useRoute();
const duties = computed(() => report.value.duties);
/** Kinds whose fields stand in the Job, each with how it is shown there. */
const inJob = asking.flatMap((id) => {
  const { job, group } = kindOfDuty(id);
  return job && id in specs ? [{ ...job, id, tab: group.id, fields: useDuty(id as DutyId) }] : [];
});
const framed = computed(() => inJob.map((kind) => ({ ...kind, reports: duties.value.of(kind.id) })));
const main = (given: readonly InputSpec[], keys: readonly string[]) =>
  given.filter((s) => keys.includes(s.key));
const to = (tab: string) => ({ name: 'check', params: route.params, query: { tab } });
</script>

<template>
  <div v-if="duties.rates.length > 0" class="sec">
    <h3>Follow<small>a rate, kept up</small></h3>
    <div class="list">
      <div v-for="(r, at) in duties.rates" :key="r.key" class="one">
        <RateFields compact :at="at" />
        <RouterLink class="see" :to="to('rate')"
          ><GradeTag :graded="r.graded" /><span class="sr-only">{{ r.name }}, see it at Check</span
          ><v-icon :icon="mdiArrowRight" size="16"
        /></RouterLink>
      </div>
    </div>
  </div>
  <div v-if="framed.some((g) => g.reports.length > 0)" class="sec">
    <h3>Camera moves and speeds<small>frames, speed range</small></h3>
    <div class="list">
      <template v-for="group in framed" :key="group.tab">
        <div v-for="(d, at) in group.reports" :key="d.key" class="one">
          <span v-if="group.word" class="kind">{{ group.word }}</span>
          <div class="short">
            <InputFields
              across
              :specs="main(group.fields.specs, group.inputs)"
              :data="group.fields.list.value[at]!"
              :set="group.fields.set(at)"
            />
          </div>
          <RouterLink class="see" :to="to(group.tab)"
            ><GradeTag v-if="d.graded" :graded="d.graded" /><span class="sr-only"
              >{{ d.title }}, see it at Check</span
            ><v-icon :icon="mdiArrowRight" size="16"
          /></RouterLink>
          <IconButton
            :label="`Remove ${d.title}`"
            :icon="mdiClose"
            :size="18"
            @click="group.fields.remove(at)"
          />
        </div>
      </template>
    </div>
  </div>
  <div class="sec">
    <h3>Ask for more<small>besides dividing</small></h3>
    <AskMenu />
  </div>
</template>

<style scoped src="./job.css"></style>
<style scoped>
.list {
  display: flex;
  flex-direction: column;
  gap: 0.5rem;
  min-width: 0;
}
.one {
  display: flex;
  align-items: flex-start;
  gap: 0.5rem;
}
.one > :first-child:not(.kind),
.kind + * {
  flex: 1;
}
.kind,
.see {
  line-height: 2rem;
  font-size: 0.875rem;
  white-space: nowrap;
}
.see {
  display: inline-flex;
  align-items: center;
  gap: 0.375rem;
  color: var(--p-blue);
}
.short {
  --field-width: 4.125rem;
}
/* where it is narrow, the fields have a row of their own above their grade */
@media (max-width: 1180px) {
  .one:has(> .short) {
    flex-wrap: wrap;
    align-items: center;
    gap: 0 0.5rem;
  }
  .one > .short:first-child,
  .kind + .short {
    flex: 1 1 18.75rem;
  }
  .short + .see {
    margin-left: auto;
  }
}
</style>
