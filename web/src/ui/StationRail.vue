<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { mdiKeyboardOutline, mdiWeatherNight, mdiWhiteBalanceSunny } from '@mdi/js';
import { markWords, shelfMark, type Mark, type TreeReport } from '@pendrix/core';
import { useSettings } from '../stores/settings.ts';
import { useShelf } from '../stores/shelf.ts';
import { useWorkshop } from '../stores/workshop.ts';
import { today } from './clock.ts';
import MarkIcon from './MarkIcon.vue';
import { useNextFrame } from './next-frame.ts';
import { isShared, places, stations, type Place } from './stations.ts';

/** The rail of stations; without an open drive they are greyed and lead nowhere. */
const { driveId, tree } = defineProps<{ driveId: string | null; tree: TreeReport | null }>();
const emit = defineEmits<{ keys: [] }>();
const settings = useSettings();
const route = useRoute();

const shelf = useShelf();
const workshop = useWorkshop();
/** The verdict of an edit comes first. */
const marked = useNextFrame(() => ({ tree, driveId }));
const marks = computed<readonly Mark[]>(() => [
  ...(marked.value.tree?.marks(
    marked.value.driveId === null ? 0 : workshop.runsOf(marked.value.driveId).length,
    today(),
  ) ?? []),
  shelfMark(shelf.parts, shelf.uses),
]);

const here = computed(() => route.meta['place'] as Place | undefined);
const markOf = (place: Place): Mark | undefined =>
  marks.value.find((m) => m.concern === stations[place].concern);
const message = (place: Place): string => {
  const m = markOf(place);
  return m
    ? `${stations[place].title}, ${markWords[m.mark]}: ${m.reason}`
    : `${stations[place].title}, open a drive first`;
};
</script>

<template>
  <nav class="rail" aria-label="Stations">
    <RouterLink to="/" class="home" :class="{ on: !here }" aria-label="Pendrix, all drives">
      <svg width="30" height="26" viewBox="0 0 30 26" fill="none" stroke="currentColor" aria-hidden="true">
        <path d="M3 9.5A14.5 14.5 0 0 1 27 9.5" stroke-width="1.6" />
        <path d="M15 4.6v-4M9.6 5.7 8.3 2M20.4 5.7 21.7 2M5 8 2.6 5M25 8l2.4-3" stroke-width="1.4" />
        <path d="M15 5 19 20" stroke-width="1.6" />
        <circle cx="19.6" cy="21.6" r="3.4" fill="currentColor" stroke="none" />
      </svg>
      <span>Pendrix</span>
    </RouterLink>
    <template v-for="place in places" :key="place">
      <RouterLink
        v-if="driveId || isShared(place)"
        class="station"
        :class="{ on: here === place }"
        :to="isShared(place) ? { name: place } : { name: place, params: { id: driveId } }"
        :title="markOf(place)?.reason"
        :aria-label="message(place)"
        :aria-current="here === place ? 'page' : undefined"
      >
        <v-icon :icon="stations[place].icon" size="22" />
        <span class="name"
          ><MarkIcon
            v-if="markOf(place)"
            :name="markOf(place)!.mark"
            :size="9"
            :class="`mark-${markOf(place)!.mark}`"
          />{{ stations[place].title }}</span
        >
      </RouterLink>
      <span v-else class="station off" :title="message(place)">
        <v-icon :icon="stations[place].icon" size="22" /><span class="name">{{ stations[place].title }}</span>
      </span>
    </template>
    <v-spacer />
    <button
      type="button"
      class="foot"
      :aria-pressed="settings.night"
      @click="settings.night = !settings.night"
    >
      <v-icon :icon="settings.night ? mdiWhiteBalanceSunny : mdiWeatherNight" size="20" /><span>{{
        settings.night ? 'Day' : 'Night'
      }}</span>
    </button>
    <button type="button" class="foot keys" @click="emit('keys')">
      <v-icon :icon="mdiKeyboardOutline" size="20" /><span>Keys ?</span>
    </button>
  </nav>
</template>

<style scoped>
.rail {
  width: 80px;
  background: var(--p-rail);
  border-right: 1px solid var(--p-hair);
  display: flex;
  flex-direction: column;
  align-items: stretch;
  overflow: hidden auto;
  scrollbar-width: none;
}
.home {
  height: 60px;
  flex: none;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  font-weight: 700;
  font-size: 14px;
  line-height: 16px;
  gap: 2px;
  color: var(--p-blue);
  position: relative;
}
.station {
  height: 66px;
  flex: none;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 5px;
  color: var(--p-ink);
  position: relative;
}
.station .v-icon {
  opacity: 0.82;
}
.name {
  display: flex;
  align-items: center;
  gap: 5px;
  font-size: 14px;
  line-height: 16px;
}
.on {
  background: var(--p-paper);
}
.station.on {
  color: var(--p-blue);
  font-weight: 700;
}
.station.on .v-icon {
  opacity: 1;
}
.on::before {
  content: '';
  position: absolute;
  left: 0;
  top: 0;
  bottom: 0;
  width: 4px;
  background: var(--p-blue);
}
.on::after {
  content: '';
  position: absolute;
  right: -1px;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--p-paper);
}
.station:hover:not(.on, .off),
.foot:hover {
  background: var(--p-tint);
}
.off {
  color: #5c6761;
}
:root[data-theme='night'] .off {
  color: var(--p-quiet);
}
.mark-ring {
  color: #6f7b77;
}
:root[data-theme='night'] .mark-ring {
  color: var(--p-tick-ten);
}
.mark-dot {
  color: var(--p-even);
}
.mark-diamond {
  color: var(--p-amber);
}
.foot {
  height: 56px;
  flex: none;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 3px;
  color: var(--p-quiet);
  font-size: 13px;
  line-height: 15px;
}
a:focus-visible,
button:focus-visible {
  outline-offset: -3px;
}
</style>
