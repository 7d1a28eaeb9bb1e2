<script setup lang="ts">
import { computed, ref } from 'vue';
import { whatIf, type Edit, type WhatIfOf, type WhatIfSlider } from '@pendrix/core';
import GradeTag from '../../ui/GradeTag.vue';
import { useReport } from '../../ui/open-drive.ts';

/** Sliders to try a drive at other values. The black mark stays where it is now; nothing is changed until it is kept. */
const { what } = defineProps<{ what: WhatIfOf }>();
const emit = defineEmits<{ keep: [edits: readonly Edit[]] }>();
const report = useReport();
const all = computed(() => whatIf(report.value.drive, what));
const tried = ref<Readonly<Record<string, number>>>({});
const at = (s: WhatIfSlider): number => Math.min(tried.value[s.id] ?? s.now, s.places.length - 1);
const edits = computed(() => all.value.edits(tried.value));
const together = computed(() => all.value.together(tried.value));
const names = computed(() =>
  all.value.sliders
    .filter((s) => at(s) !== s.now)
    .map((s) => `${s.title.toLowerCase()} ${s.places[at(s)]!.text}`)
    .join(', '),
);
const put = (s: WhatIfSlider, place: number): void => {
  tried.value = { ...tried.value, [s.id]: place };
};
function keep(): void {
  emit('keep', edits.value);
  tried.value = {};
}
const percent = (s: WhatIfSlider, place: number): string =>
  `${s.places.length < 2 ? 0 : (100 * place) / (s.places.length - 1)}%`;
const spoken = (s: WhatIfSlider): string => {
  const tells = s.at(at(s));
  return `${s.places[at(s)]!.text} ${s.unit}: ${tells.text}, ${tells.message}`;
};
</script>

<template>
  <section v-if="all.sliders.length > 0" class="what-if" aria-label="What if">
    <header>
      <h3>What if</h3>
      <span class="quiet">black mark: as it is</span>
      <span class="sum" role="status">
        <b>{{ together.text }}</b>
        <GradeTag v-if="together.graded" :graded="together.graded" />
        <span class="quiet">{{ together.message }}</span>
      </span>
      <v-spacer />
      <v-btn color="primary" variant="flat" :disabled="edits.length === 0" @click="keep"
        >Keep{{ names && names.length < 28 ? ` ${names}` : '' }}</v-btn
      >
      <v-btn variant="text" :disabled="edits.length === 0" @click="tried = {}">Reset</v-btn>
    </header>
    <div class="sliders">
      <div v-for="s in all.sliders" :key="s.id" class="slider">
        <p class="name">
          <span>{{ s.title }}</span>
          <b>{{ s.places[at(s)]!.text }}</b> {{ s.unit }}
          <span class="quiet">{{ at(s) === s.now ? 'as it is' : `now ${s.places[s.now]!.text}` }}</span>
        </p>
        <div class="track">
          <i
            v-for="(p, i) in s.places.slice(0, -1)"
            :key="i"
            class="part"
            :class="s.at(at(s) > s.now ? i + 1 : i).graded?.grade"
            :style="{ left: percent(s, i), width: percent(s, 1) }"
            :title="p.text"
          />
          <i class="now" :style="{ left: percent(s, s.now) }" />
          <v-slider
            :model-value="at(s)"
            :min="0"
            :max="s.places.length - 1"
            :step="1"
            :aria-label="s.title"
            :aria-valuetext="spoken(s)"
            hide-details
            @update:model-value="(v: number) => put(s, v)"
          />
        </div>
        <p class="ends quiet">
          <span>{{ s.places[0]!.text }}</span><span>{{ s.places[s.places.length - 1]!.text }}</span>
        </p>
        <p class="tells">
          <b>{{ s.at(at(s)).text }}</b> <span class="quiet">{{ s.at(at(s)).message }}</span>
        </p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.what-if {
  border-top: 2px solid var(--p-blue);
  padding: 0.5rem 1.25rem 0.625rem;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 0.75rem;
  font-size: 0.875rem;
}
h3 {
  font-size: 0.9375rem;
  font-weight: 650;
}
.sum {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 2px 0.5rem;
  align-items: center;
}
.sliders {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(13.125rem, 1fr));
  gap: 0.5rem 1.5rem;
  margin-top: 0.375rem;
}
.slider {
  min-width: 0;
  font-size: 0.875rem;
}
.name {
  display: flex;
  gap: 0.375rem;
  align-items: baseline;
}
.name span:first-child {
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.name b {
  font-family: var(--mono);
  color: var(--p-blue);
  white-space: nowrap;
}
.name .quiet {
  margin-left: auto;
  white-space: nowrap;
  font-size: 0.8125rem;
}
.track {
  position: relative;
  height: 1.75rem;
  margin: 0 0.5rem;
}
.part {
  position: absolute;
  top: 0.625rem;
  height: 0.5rem;
  background: var(--p-row);
}
.part:is(.enough, .even, .evenMicrostep, .passes) {
  background: color-mix(in srgb, var(--p-even) 30%, transparent);
}
.part:is(.close, .rounded) {
  background: repeating-linear-gradient(135deg, var(--p-amber) 0 2px, transparent 2px 5px);
}
.part:is(.short, .misses) {
  background: repeating-linear-gradient(135deg, var(--p-red) 0 2px, transparent 2px 5px);
}
.now {
  position: absolute;
  top: 2px;
  width: 0;
  height: 0;
  margin-left: -0.375rem;
  border: 6px solid transparent;
  border-top: 8px solid var(--p-ink);
}
.track :deep(.v-slider) {
  position: absolute;
  inset: 0 -0.5rem;
  margin: 0;
}
.track :deep(.v-slider-track) {
  visibility: hidden;
}
.ends {
  display: flex;
  justify-content: space-between;
  font: 400 0.8125rem/1rem var(--mono);
}
.tells {
  line-height: 1.125rem;
  min-height: 1.125rem;
}
</style>
