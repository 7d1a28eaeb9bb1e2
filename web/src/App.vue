<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch, watchEffect } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useDocumentVisibility, useEventListener } from '@vueuse/core';
import { useTheme } from 'vuetify';
import { mdiStop } from '@mdi/js';
import type { Scope } from './records/history.ts';
import { useRecords } from './records/records.ts';
import { useSearching } from './stores/searching.ts';
import { useNotices } from './stores/notices.ts';
import { useSettings } from './stores/settings.ts';
import { useWorking } from './stores/working.ts';
import EmptyState from './ui/EmptyState.vue';
import NotRead from './ui/NotRead.vue';
import ErrorBoundary from './ui/ErrorBoundary.vue';
import { useEver } from './ui/ever.ts';
import { useKeys } from './ui/keys.ts';
import { useNewVersion } from './ui/new-version.ts';
import { provideOpenDrive } from './ui/open-drive.ts';
import RulerBar from './ui/RulerBar.vue';
import StationRail from './ui/StationRail.vue';
import { isShared, places, type Place } from './ui/stations.ts';
import TitleBar from './ui/TitleBar.vue';
import { useUndoing } from './ui/undoing.ts';

/** What is not there before a drive is open, or before it is asked for, comes then. */
const OutputPicker = defineAsyncComponent(() => import('./ui/OutputPicker.vue'));
const VerdictStrip = defineAsyncComponent(() => import('./ui/VerdictStrip.vue'));
const WorkingDrawer = defineAsyncComponent(() => import('./ui/WorkingDrawer.vue'));
const NoticeBar = defineAsyncComponent(() => import('./ui/NoticeBar.vue'));
const KeysDialog = defineAsyncComponent(() => import('./ui/KeysDialog.vue'));
const SearchDialog = defineAsyncComponent(() => import('./ui/SearchDialog.vue'));
/** The frame: rail, title, ruler, verdict strip, and the station in the middle. */
const records = useRecords();
const settings = useSettings();
const notices = useNotices();
const working = useWorking();
const searching = useSearching();
const route = useRoute();
const router = useRouter();
const theme = useTheme();
const { id, record, report, tree, output, look, fault } = provideOpenDrive();

const keysOpen = ref(false);
const searchOpen = ref(false);
const railOpen = ref(false);
/** once made they stay, so that they close as they opened */
const keysMade = useEver(keysOpen);
const searchMade = useEver(searchOpen);
const noticed = useEver(computed(() => notices.notice !== null));
/** what is typed before the search is there is not lost */
const early = ref('');
useEventListener(document, 'keydown', (e: KeyboardEvent) => {
  if (!searchOpen.value || e.key.length !== 1 || e.ctrlKey || e.metaKey) return;
  if (document.querySelector('[role=dialog]')) return;
  early.value += e.key;
  e.preventDefault();
});

void records.open();
useNewVersion();

const missing = computed(() => !records.unread && id.value !== null && record.value === null);
/** On the shelf its own steps are undone, in a drive its edits, in the list whatever came last. */
const onShelf = computed(() => route.meta['place'] === 'shelf');
const scope = computed<Scope>(() =>
  onShelf.value
    ? { kind: 'part', id: null, whole: true }
    : { kind: 'drive', id: id.value, whole: id.value === null },
);
const { undo, redo, takeBack, doAgain } = useUndoing(() => scope.value);
const title = computed(
  () =>
    record.value?.drive.name ?? (onShelf.value ? 'Shelf' : id.value === null ? 'Drives' : 'No such drive'),
);

function go(place: Place): void {
  if (isShared(place)) void router.push({ name: place });
  else if (id.value !== null) void router.push({ name: place, params: { id: id.value } });
}

useKeys(
  {
    undo: takeBack,
    redo: doAgain,
    search: () => (searchOpen.value = true),
    keys: () => (keysOpen.value = true),
    drives: () => void router.push('/'),
    ...Object.fromEntries(places.map((place) => [place, () => go(place)])),
  },
  () => keysOpen.value || searchOpen.value,
);

watchEffect(() => void theme.change(settings.night ? 'night' : 'day'));
watchEffect(() => (document.title = id.value === null ? 'Pendrix' : `${title.value} · Pendrix`));
watch(
  () => route.path,
  () => {
    railOpen.value = false;
    working.close();
  },
);
/** What another tab did is told once. */
watch(
  () => records.news,
  (news) => {
    if (news === null) return;
    notices.tell({ message: news, tone: 'plain', stays: true });
    records.news = null;
  },
);
const visibility = useDocumentVisibility();
watch(visibility, (now) => records.visible(now === 'visible'));
useEventListener(window, 'beforeunload', (e: BeforeUnloadEvent) => {
  if (records.endangered) e.preventDefault();
});
</script>

<template>
  <v-app>
    <div class="frame" :class="{ open: railOpen, field: settings.field }">
      <ErrorBoundary what="The rail" quiet>
        <StationRail :drive-id="record ? id : null" :tree="tree" @keys="keysOpen = true" />
      </ErrorBoundary>
      <div class="body">
        <TitleBar
          :title="title"
          :tree="tree"
          :otherwise="id === null ? 'what comes out even' : ''"
          :undo="undo"
          :redo="redo"
          @undo="takeBack"
          @redo="doAgain"
          @search="searchOpen = true"
          @menu="railOpen = !railOpen"
        >
          <OutputPicker
            v-if="tree?.several && route.meta['place'] !== 'train'"
            :tree="tree"
            :output="output"
            @look="look"
          />
          <template v-if="searching.running">
            <span class="searching" role="status">{{ searching.message }}</span>
            <v-btn class="stop" :prepend-icon="mdiStop" @click="searching.stop()">Stop and keep</v-btn>
          </template>
        </TitleBar>
        <RulerBar :progress="searching.part" />
        <ErrorBoundary v-if="tree && id" what="The verdict" quiet :again="tree">
          <VerdictStrip :tree="tree" :drive-id="id" @look="look" />
        </ErrorBoundary>
        <main>
          <template v-if="missing">
            <EmptyState
              title="This drive is not on this device"
              text="Drives stay in the browser they were made in. Back them up there, then import the file here."
            >
              <v-btn variant="flat" to="/">All drives</v-btn>
            </EmptyState>
          </template>
          <NotRead
            v-else-if="records.ready && records.unread && id !== null && record === null"
            :why="records.unread"
          />
          <ErrorBoundary
            v-else-if="records.ready"
            :key="route.path"
            what="This station"
            :fault="id === null ? null : fault"
          >
            <RouterView v-if="id === null || report" :key="`${onShelf ? 'shelf' : (id ?? 'drives')}`" />
          </ErrorBoundary>
        </main>
        <ErrorBoundary v-if="report" what="The working" quiet :again="working.key">
          <WorkingDrawer :report="report" :tree="tree" />
        </ErrorBoundary>
      </div>
    </div>
    <NoticeBar v-if="noticed" />
    <KeysDialog v-if="keysMade" v-model="keysOpen" />
    <SearchDialog v-if="searchMade" v-model="searchOpen" v-model:early="early" />
  </v-app>
</template>

<style scoped>
.frame {
  display: flex;
  height: 100vh;
  height: 100dvh;
  overflow: hidden;
  background: var(--p-paper);
}
.frame > :deep(.rail) {
  flex: none;
}
.body {
  position: relative;
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
}
.body > * {
  flex: none;
}
.body > main {
  flex: 1 1 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
/* The count changes as it runs: the keys beside it stay where they are. */
.searching {
  width: 14.5rem;
  text-align: right;
  contain: strict;
  height: 1.25rem;
  line-height: 1.25rem;
  color: var(--p-blue);
  font-size: 0.875rem;
  font-weight: 600;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.stop {
  margin: 0 0.5rem;
  flex: none;
}
.frame.field > :deep(.rail),
.frame.field > .body > :deep(.title),
.frame.field > .body > :deep(.ruler),
.frame.field > .body > :deep(.verdict) {
  display: none;
}
@media (max-width: 700px) {
  .frame > :deep(.rail) {
    display: none;
    position: absolute;
    left: 0;
    top: 0;
    bottom: 0;
    z-index: 30;
  }
  .frame.open > :deep(.rail) {
    display: flex;
  }
}
@media print {
  .frame {
    height: auto;
    overflow: visible;
    display: block;
  }
  .frame > :deep(.rail),
  .body > :deep(.title),
  .body > :deep(.ruler),
  .body > :deep(.verdict),
  .body > :deep(.drawer) {
    display: none;
  }
  main {
    display: block;
  }
}
</style>
