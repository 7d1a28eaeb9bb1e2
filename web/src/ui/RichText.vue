<script setup lang="ts">
import { computed } from 'vue';
import { THIN, type Piece, type Rich } from '@pendrix/core';

/** Text with stacked fractions, raised exponents and quiet units; thin gaps between groups of digits. */
const { text } = defineProps<{ text: Rich }>();

type Part = {
  readonly is: 'text' | 'strong' | 'sup' | 'unit' | 'frac';
  readonly runs: readonly (readonly string[])[];
};
const runs = (s: string): readonly string[] => s.split(THIN);

const part = (p: Piece): Part => {
  if (typeof p === 'string') return { is: 'text', runs: [runs(p)] };
  if ('frac' in p) return { is: 'frac', runs: p.frac.map(runs) };
  if ('sup' in p) return { is: 'sup', runs: [runs(p.sup)] };
  return 'unit' in p ? { is: 'unit', runs: [runs(p.unit)] } : { is: 'strong', runs: [runs(p.strong)] };
};
const parts = computed(() => text.map(part));
const tight = (p: Part): boolean => /^[″′°%]/.test(p.runs[0]?.[0] ?? '');
</script>

<template>
  <span class="rich"
    ><template v-for="(p, i) in parts" :key="i"
      ><span v-if="p.is === 'frac'" class="fr"
        ><span
          ><template v-for="(r, j) in p.runs[0]" :key="j"
            ><i v-if="j > 0" class="t"></i>{{ r }}</template
          ></span
        ><span class="sr-only">/</span
        ><span
          ><template v-for="(r, j) in p.runs[1]" :key="j"
            ><i v-if="j > 0" class="t"></i>{{ r }}</template
          ></span
        ></span
      ><sup v-else-if="p.is === 'sup'">{{ p.runs[0]?.join('') }}</sup
      ><span v-else-if="p.is === 'unit'" class="u" :class="{ tight: tight(p) }">{{
        p.runs[0]?.join(' ')
      }}</span
      ><component :is="p.is === 'strong' ? 'b' : 'span'" v-else
        ><template v-for="(r, j) in p.runs[0]" :key="j"
          ><i v-if="j > 0" class="t"></i>{{ r }}</template
        ></component
      ></template
    ></span
  >
</template>

<style scoped>
.rich {
  white-space: pre-wrap;
}
</style>
