<script setup lang="ts">
import { computed } from 'vue';
import { gradeWords, type Report } from '@pendrix/core';
import GradeTag from '../../ui/GradeTag.vue';
import MarkIcon from '../../ui/MarkIcon.vue';

/** What this train divides: every count with its mark; those the job asks for are underlined. */
const { map, wanted, selected } = defineProps<{
  map: ReturnType<Report['map']>;
  wanted: readonly number[];
  selected: number | null;
}>();
const emit = defineEmits<{ choose: [divisions: number] }>();

const asked = computed(() => new Set(wanted));
const n = (grade: string): number => map.filter((m) => m.grade === grade).length;
const rest = computed(() => (n('misses') > 0 ? 'no mark: Rounded or Misses' : 'no mark: Rounded'));
</script>

<template>
  <section class="map" aria-label="What this train divides">
    <header>
      <h3>What this train divides, {{ map[0]?.divisions }} to {{ map.at(-1)?.divisions }}</h3>
      <GradeTag :graded="{ grade: 'even', word: `${n('even')} Even` }" />
      <GradeTag
        v-if="n('evenMicrostep') > 0"
        :graded="{ grade: 'evenMicrostep', word: `${n('evenMicrostep')} Even at a microstep` }"
      />
      <span class="quiet">{{ rest }}</span>
    </header>
    <div class="grid">
      <button
        v-for="m in map"
        :key="m.divisions"
        type="button"
        tabindex="-1"
        class="count"
        :class="[`is-${m.grade}`, { wanted: asked.has(m.divisions), on: m.divisions === selected }]"
        :aria-label="`${m.divisions}, ${gradeWords[m.grade].toLowerCase()}`"
        @click="emit('choose', m.divisions)"
      >
        <MarkIcon v-if="m.grade === 'even' || m.grade === 'evenMicrostep'" :name="m.grade" :size="10" /><i>{{
          m.divisions
        }}</i>
      </button>
    </div>
  </section>
</template>

<style scoped>
.map {
  border-top: 1px solid var(--p-hair);
  padding: 0.5625rem 1.25rem 0.625rem;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 1rem;
  font-size: 0.8125rem;
  margin-bottom: 0.375rem;
}
h3 {
  margin-right: auto;
}
.grid {
  display: grid;
  grid-template-columns: repeat(16, minmax(0, 1fr));
  margin-left: -0.25rem;
}
.count {
  height: 1.5rem;
  display: flex;
  align-items: center;
  justify-content: flex-end;
  gap: 0.1875rem;
  padding-right: 0.25rem;
  color: var(--p-quiet);
}
.count i {
  font: 400 0.8125rem/1rem var(--mono);
  letter-spacing: -0.04em;
}
.is-even,
.is-evenMicrostep {
  color: var(--p-even);
}
.is-even i,
.is-evenMicrostep i {
  font-weight: 650;
}
.wanted i {
  box-shadow: 0 2px 0 var(--p-blue);
}
.on i {
  background: var(--p-tint);
  color: var(--p-ink);
  outline: 1px solid var(--p-blue);
}
.count:hover i {
  text-decoration: underline;
}
@media (max-width: 600px) {
  .grid {
    grid-template-columns: repeat(8, minmax(0, 1fr));
  }
}
</style>
