<script setup lang="ts">
import { computed, ref, watch, watchEffect } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useTheme } from 'vuetify';
import { mdiStop } from '@mdi/js';
import { redoable, undoable } from './stores/history.ts';
import { useNotices } from './stores/notices.ts';
import { useSettings } from './stores/settings.ts';
import { useShelf } from './stores/shelf.ts';
import { useFinding } from './stores/finding.ts';
import { openStorage } from './storage/storage.ts';
import { useWorking } from './stores/working.ts';
import { useWorkshop } from './stores/workshop.ts';
import KeysDialog from './ui/KeysDialog.vue';
import { useKeys } from './ui/keys.ts';
import NoticeBar from './ui/NoticeBar.vue';
import { provideOpenDrive } from './ui/open-drive.ts';
import RulerBar from './ui/RulerBar.vue';
import SearchDialog from './ui/SearchDialog.vue';
import StationRail from './ui/StationRail.vue';
import { isShared, places, stations } from './ui/stations.ts';
import { shelfMark } from '@pendrix/core';
import TitleBar from './ui/TitleBar.vue';
import { useNewVersion } from './ui/new-version.ts';
import VerdictStrip from './ui/VerdictStrip.vue';
import WorkingDrawer from './ui/WorkingDrawer.vue';

/** The frame: rail, title, ruler, verdict strip, and the station in the middle. */
const workshop = useWorkshop();
const shelf = useShelf();
const settings = useSettings();
const notices = useNotices();
const working = useWorking();
const route = useRoute();
const router = useRouter();
const theme = useTheme();
const { id, record, report } = provideOpenDrive();

const keysOpen = ref(false);
const searchOpen = ref(false);
const railOpen = ref(false);

const storage = openStorage();
void workshop.open(storage).then(() => shelf.open(storage));
useNewVersion();

const missing = computed(() => workshop.ready && id.value !== null && record.value === null);
const runs = computed(() => (id.value === null ? 0 : workshop.runsOf(id.value).length));
const marks = computed(() => [
  ...(report.value?.marks(runs.value) ?? []),
  shelfMark(shelf.parts, shelf.uses),
]);
const finding = useFinding();
/** On the shelf its own edits are undone. */
const onShelf = computed(() => route.meta['place'] === 'shelf');
/** In a drive its edits are undone; in the list whatever came last. */
const scope = computed(() => ({ id: id.value, whole: id.value === null }));
const undo = computed(() =>
  onShelf.value ? shelf.undoSays : (undoable(workshop.history, scope.value)?.says ?? null),
);
const redo = computed(() =>
  onShelf.value ? shelf.redoSays : (redoable(workshop.history, scope.value)?.says ?? null),
);
const title = computed(
  () =>
    record.value?.drive.name ?? (onShelf.value ? 'Shelf' : id.value === null ? 'Drives' : 'No such drive'),
);

function takeBack(): void {
  const says = onShelf.value ? shelf.undo() : workshop.undo(scope.value);
  if (says) notices.tell({ says: `Undone: ${says}`, tone: 'plain', act: { label: 'Redo', do: again } });
}
function again(): void {
  const says = onShelf.value ? shelf.redo() : workshop.redo(scope.value);
  if (says) notices.tell({ says: `Done again: ${says}`, tone: 'plain' });
}
function go(letter: string): void {
  if (letter === 'd') void router.push('/');
  const place = places.find((p) => stations[p].key === letter);
  if (place && isShared(place)) void router.push({ name: place });
  else if (place && id.value !== null) void router.push({ name: place, params: { id: id.value } });
}

useKeys({
  undo: takeBack,
  redo: again,
  search: () => (searchOpen.value = true),
  list: () => (keysOpen.value = true),
  go,
  busy: () => keysOpen.value || searchOpen.value,
});

watchEffect(() => void theme.change(settings.night ? 'night' : 'day'));
watchEffect(() => (document.title = id.value === null ? 'Pendrix' : `${title.value} · Pendrix`));
watch(
  () => route.path,
  () => {
    railOpen.value = false;
    working.close();
  },
);
</script>

<template>
  <v-app>
    <div class="frame" :class="{ open: railOpen }">
      <StationRail :drive-id="record ? id : null" :marks="marks" @keys="keysOpen = true" />
      <div class="body">
        <TitleBar
          :title="title"
          :purpose="report?.purpose ?? (id === null ? 'what comes out even' : '')"
          :undo="undo"
          :redo="redo"
          @undo="takeBack"
          @redo="again"
          @search="searchOpen = true"
          @menu="railOpen = !railOpen"
        >
          <template v-if="finding.running">
            <span class="searching" role="status">{{ finding.says }}</span>
            <v-btn class="stop" :prepend-icon="mdiStop" @click="finding.stop()">Stop and keep</v-btn>
          </template>
        </TitleBar>
        <RulerBar :progress="finding.part" />
        <VerdictStrip v-if="report && id" :cells="report.verdict" :drive-id="id" />
        <main>
          <template v-if="missing">
            <div class="empty">
              <h2>This drive is not on this device</h2>
              <p class="quiet">
                Drives stay in the browser they were made in. Export it there, then import the file here.
              </p>
              <v-btn variant="flat" to="/">All drives</v-btn>
            </div>
          </template>
          <RouterView
            v-else-if="workshop.ready && (id === null || report)"
            :key="`${onShelf ? 'shelf' : (id ?? 'drives')}`"
          />
        </main>
        <WorkingDrawer v-if="report" :report="report" />
      </div>
    </div>
    <NoticeBar />
    <KeysDialog v-model="keysOpen" />
    <SearchDialog v-model="searchOpen" />
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
  width: 232px;
  text-align: right;
  contain: strict;
  height: 20px;
  line-height: 20px;
  color: var(--p-blue);
  font-size: 14px;
  font-weight: 600;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.stop {
  margin: 0 8px;
  flex: none;
}
.empty {
  margin: auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
  align-items: center;
  text-align: center;
  max-width: 420px;
  padding: 20px;
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
