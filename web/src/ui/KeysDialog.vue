<script setup lang="ts">
import { mdiClose } from '@mdi/js';
import { keyList } from './keys.ts';

const open = defineModel<boolean>({ required: true });
</script>

<template>
  <v-dialog v-model="open" aria-labelledby="keys-title">
    <div class="dialog">
      <header>
        <h2 id="keys-title">Keys</h2>
        <span class="sp"></span>
        <button type="button" class="icon-button" aria-label="Close" @click="open = false">
          <v-icon :icon="mdiClose" size="20" />
        </button>
      </header>
      <dl class="lines">
        <div v-for="k in keyList" :key="k.message">
          <dt>
            <template v-for="(key, i) in k.keys" :key="key"
              ><span v-if="i > 0" class="quiet"> {{ k.or ? 'or' : 'then' }} </span
              ><kbd>{{ key }}</kbd></template
            >
          </dt>
          <dd>{{ k.message }}</dd>
        </div>
      </dl>
    </div>
  </v-dialog>
</template>

<style scoped>
.lines > div {
  padding: 2px 0;
}
dd {
  text-align: right;
}
dt {
  white-space: nowrap;
}
</style>
