<script setup lang="ts">
import { computed, defineAsyncComponent, h, ref } from 'vue';
import { mdiPackageVariantClosed, mdiPrinterOutline } from '@mdi/js';
import { useRoute, useRouter } from 'vue-router';
import SubBar from '../../ui/SubBar.vue';
import TwoColumns from '../../ui/TwoColumns.vue';
import { useShelf } from '../../stores/shelf.ts';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import { usePack } from '../../ui/packing.ts';
import { usePrintSheet } from '../../ui/printing.ts';
import MakeSheet from './MakeSheet.vue';
import MeshHelper from './MeshHelper.vue';
import { isMakeTab, makeTabs, type MakeTab } from './tabs.ts';
import WheelsPane from './WheelsPane.vue';

/** What is cut, drilled, meshed and adjusted; beside it the helper for a mesh. */
const panes = {
  wheels: WheelsPane,
  circles: defineAsyncComponent(() => import('./CirclesPane.vue')),
  fits: defineAsyncComponent(() => import('./FitsPane.vue')),
  build: defineAsyncComponent(() => import('./BuildPane.vue')),
  faults: defineAsyncComponent(() => import('./FaultsPane.vue')),
  belts: defineAsyncComponent(() => import('./BeltsPane.vue')),
};
/** loaded when it is first opened */
const FilesDialog = defineAsyncComponent(() => import('../../ui/FilesDialog.vue'));
const files = ref(false);
const filesWanted = ref(false);
function openFiles(): void {
  filesWanted.value = true;
  files.value = true;
}
const report = useReport();
const { tree } = useOpenDrive();
const shelf = useShelf();
const pack = usePack(
  () => tree.value?.drive ?? null,
  () => shelf.parts,
);
const print = usePrintSheet(() => h(MakeSheet, { report: report.value }));
const route = useRoute();
const router = useRouter();
const open = computed<MakeTab>(() => (isMakeTab(route.query['tab']) ? route.query['tab'] : 'wheels'));
const go = (tab: unknown): void => {
  if (tab !== open.value)
    void router.replace({ name: 'make', params: route.params, query: { tab: String(tab) } });
};
</script>

<template>
  <TwoColumns aside="Setting a mesh" shares="minmax(0, 760fr) minmax(0, 440px)">
    <SubBar class="bar" title="Make">
      <template #start>
        <v-tabs :model-value="open" aria-label="What is made" @update:model-value="go">
          <v-tab v-for="t in makeTabs" :key="t.id" :value="t.id">{{ t.title }}</v-tab>
        </v-tabs>
      </template>
      <div id="make-tools" class="tools" />
      <v-btn class="tool roomy" variant="text" :prepend-icon="mdiPrinterOutline" @click="print">Sheet</v-btn>
      <v-menu location="bottom end">
        <template #activator="{ props }">
          <v-btn class="tool" variant="text" :prepend-icon="mdiPackageVariantClosed" v-bind="props"
            >Pack</v-btn
          >
        </template>
        <v-list>
          <v-list-item class="narrow" title="Print the sheet" @click="print" />
          <v-list-item title="Print the build pack" @click="pack.print" />
          <v-list-item title="ZIP of all its files" @click="pack.zip" />
          <v-list-item title="One of its files…" @click="openFiles" />
        </v-list>
      </v-menu>
    </SubBar>
    <component :is="panes[open]" />
    <FilesDialog v-if="filesWanted" v-model="files" />
    <template #aside><MeshHelper /></template>
  </TwoColumns>
</template>

<style scoped>
/* never narrower than its words: arrows that come and go would move a tab from under the pointer */
.v-tabs {
  flex: none;
}
.v-tabs :deep(.v-tab) {
  padding-inline: 0.5625rem;
}
.tools {
  display: flex;
}
.tool,
.tools :deep(.v-btn) {
  padding-inline: 0.5rem;
  min-width: 0;
}
@media (min-width: 1280px) {
  .narrow {
    display: none;
  }
}
@media (max-width: 1400px) {
  .bar {
    gap: 0.375rem;
  }
  .tool,
  .tools :deep(.v-btn) {
    padding-inline: 0.3125rem;
  }
  .tool :deep(.v-btn__prepend),
  .tools :deep(.v-btn__prepend) {
    display: none;
  }
}
/* a plate has four files: the sheet goes to the menu beside them */
@media (max-width: 1279px) {
  .roomy {
    display: none;
  }
  .v-tabs :deep(.v-tab) {
    padding-inline: 0.3125rem;
    font-size: 0.875rem;
  }
  /* the icon is seen, the word is heard */
  .tool :deep(.v-btn__prepend),
  .tools :deep(.v-btn__prepend) {
    display: grid;
    margin: 0;
  }
  .tool,
  .tools :deep(.v-btn) {
    width: 1.625rem;
    padding: 0;
  }
  .tool :deep(.v-btn__content),
  .tools :deep(.v-btn__content) {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
}
</style>
