<script setup lang="ts">
/** The ruler of graduation ticks under the title; it fills as a long computation runs. */
const { progress = 0 } = defineProps<{ progress?: number }>();
</script>

<template>
  <div class="ruler" aria-hidden="true">
    <svg width="100%" height="12">
      <defs>
        <pattern id="ruler-ticks" width="60" height="12" patternUnits="userSpaceOnUse">
          <path class="ten" d="M.5 0v12" />
          <path
            class="tick"
            d="M6.5 0v4.5M12.5 0v4.5M18.5 0v4.5M24.5 0v4.5M30.5 0v8M36.5 0v4.5M42.5 0v4.5M48.5 0v4.5M54.5 0v4.5"
          />
        </pattern>
      </defs>
      <rect width="100%" height="12" fill="url(#ruler-ticks)" />
      <path class="edge" d="M0 .5H4000" />
    </svg>
    <span v-if="progress > 0" class="fill" :style="{ width: `${progress * 100}%` }"></span>
  </div>
</template>

<style scoped>
.ruler {
  position: relative;
  height: 12px;
  overflow: hidden;
  shape-rendering: crispEdges;
}
.tick {
  stroke: var(--p-tick);
}
.ten {
  stroke: var(--p-tick-ten);
}
.edge {
  stroke: var(--p-hair);
}
.fill {
  position: absolute;
  left: 0;
  top: 0;
  height: 2.5px;
  background: var(--p-blue);
}
</style>
