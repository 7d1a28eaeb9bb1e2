<script setup lang="ts">
import {
  mdiCompare,
  mdiDotsVertical,
  mdiFileImageOutline,
  mdiPin,
  mdiPinOff,
  mdiScaleBalance,
  mdiVectorSquare,
} from '@mdi/js';
import type { Drive } from '@pendrix/core';
import { fileStem } from '../../ui/files.ts';
import { useNotices } from '../../stores/notices.ts';
import IconButton from '../../ui/IconButton.vue';

/** What can be done with the train as a whole. */
const { pinned, svg, drive } = defineProps<{
  pinned: boolean;
  svg: () => SVGSVGElement | null;
  drive: Drive;
}>();
const emit = defineEmits<{ ratio: []; pin: []; unpin: []; compare: [] }>();
const notices = useNotices();

async function save(as: 'svg' | 'png'): Promise<void> {
  const el = svg();
  if (!el) return;
  try {
    const { savePng, saveSvg } = await import('../../ui/save-drawing.ts');
    const name = `${await fileStem(drive)}-train`;
    await (as === 'svg' ? saveSvg : savePng)(name, el);
    notices.tell({ message: `The drawing is saved as ${name}.${as}.`, tone: 'plain' });
  } catch {
    notices.tell({ message: 'The drawing could not be saved. Reload the page and try again.', tone: 'bad' });
  }
}
</script>

<template>
  <v-menu location="bottom end">
    <template #activator="{ props }">
      <IconButton v-bind="props" label="More for this train" :icon="mdiDotsVertical" />
    </template>
    <v-list>
      <v-list-item
        :prepend-icon="mdiScaleBalance"
        title="True ratio of a gearbox"
        subtitle="from a count at the machine, or from its label"
        @click="emit('ratio')"
      />
      <v-list-item
        v-if="!pinned"
        :prepend-icon="mdiPin"
        title="Pin this train as A"
        subtitle="then change it and see both"
        @click="emit('pin')"
      />
      <template v-else>
        <v-list-item :prepend-icon="mdiCompare" title="Compare A with this train" @click="emit('compare')" />
        <v-list-item :prepend-icon="mdiPin" title="Pin this train as A instead" @click="emit('pin')" />
        <v-list-item :prepend-icon="mdiPinOff" title="Unpin A" @click="emit('unpin')" />
      </template>
      <v-list-item :prepend-icon="mdiVectorSquare" title="Save the drawing as SVG" @click="save('svg')" />
      <v-list-item :prepend-icon="mdiFileImageOutline" title="Save the drawing as PNG" @click="save('png')" />
    </v-list>
  </v-menu>
</template>
