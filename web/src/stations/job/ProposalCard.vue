<script setup lang="ts">
import { computed } from 'vue';
import type { ProposalReport } from '@pendrix/core/start/index';
import GradeTag from '../../ui/GradeTag.vue';
import RichText from '../../ui/RichText.vue';
import TrainDrawing from '../../ui/TrainDrawing.vue';

/** One drive that would do it: drawn, what it brings, and what it asks of the maker. */
const { proposal, chosen } = defineProps<{ proposal: ProposalReport; chosen: boolean }>();
const emit = defineEmits<{ choose: [] }>();
const drawing = computed(() => proposal.picture(236, 120));
</script>

<template>
  <article class="proposal" :class="{ on: chosen }">
    <div class="picture ground"><TrainDrawing :drawing="drawing" small alt="" /></div>
    <div class="told">
      <button type="button" class="name" :aria-pressed="chosen" @click="emit('choose')">
        {{ proposal.title }}
      </button>
      <p v-if="proposal.brings">{{ proposal.brings }}</p>
      <dl>
        <template v-for="row in proposal.rows" :key="row.label">
          <dt>{{ row.label }}</dt>
          <dd>
            <RichText v-if="row.told.text.length > 0" class="mono" :text="row.told.text" />
            <GradeTag v-if="row.told.graded" :graded="row.told.graded" />
            <span v-if="row.told.note">{{ row.told.note }}</span>
          </dd>
        </template>
      </dl>
    </div>
  </article>
</template>

<style scoped>
.proposal {
  display: grid;
  grid-template-columns: 14.75rem minmax(0, 1fr);
  gap: 1rem;
  padding: 0.75rem 1.25rem 0.75rem 1.0625rem;
  border-top: 1px solid var(--p-row);
  border-left: 3px solid transparent;
  position: relative;
}
.proposal.on {
  background: var(--p-tint);
  border-left-color: var(--p-blue);
}
.picture {
  align-self: start;
  height: 7.5rem;
  display: grid;
}
.picture :deep(svg) {
  width: 100%;
  height: 100%;
}
.name {
  font-weight: 650;
  font-size: 0.9375rem;
  text-align: left;
  min-height: 1.5rem;
}
/* the whole of it can be pressed */
.name::after {
  content: '';
  position: absolute;
  inset: 0;
}
.told p {
  font-size: 0.875rem;
  line-height: 1.125rem;
  margin: 0 0 0.3125rem;
}
dl {
  display: grid;
  grid-template-columns: 5.5rem minmax(0, 1fr);
  font-size: 0.875rem;
  line-height: 1.25rem;
  margin: 0;
}
dt {
  color: var(--p-quiet);
  font-size: 0.8125rem;
}
dd {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.5rem;
  align-items: baseline;
}
dd :deep(.grade) {
  white-space: normal;
}
/* where the column is narrow the drawing stands above */
@container (max-width: 30rem) {
  .proposal {
    grid-template-columns: minmax(0, 1fr);
    gap: 0.5rem;
  }
}
</style>
