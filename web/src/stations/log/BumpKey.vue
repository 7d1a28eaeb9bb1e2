<script setup lang="ts">
import { ref } from 'vue';
import { mdiVibrate } from '@mdi/js';
import { readBump, type Bump, type Shake } from '@pendrix/core/measure/index';

/** The phone lies on the drive: a knock, and its own accelerometer counts the swings. Only where the device has one. */
const emit = defineEmits<{ read: [bump: Bump] }>();
/** It listens so long, ms. */
const LISTEN_MS = 6000;
const there = 'DeviceMotionEvent' in window && matchMedia('(pointer: coarse)').matches;
const listening = ref(false);
const message = ref('');

/** Some phones want to be asked first. */
async function allowed(): Promise<boolean> {
  const asks = DeviceMotionEvent as unknown as { requestPermission?: () => Promise<string> };
  if (!asks.requestPermission) return true;
  return (await asks.requestPermission().catch(() => 'denied')) === 'granted';
}
async function listen(): Promise<void> {
  message.value = '';
  if (!(await allowed())) {
    message.value = 'The phone does not let this page feel its motion.';
    return;
  }
  const axes: Record<'x' | 'y' | 'z', Shake[]> = { x: [], y: [], z: [] };
  const hear = (e: DeviceMotionEvent): void => {
    for (const axis of ['x', 'y', 'z'] as const) {
      const a = e.accelerationIncludingGravity?.[axis];
      if (typeof a === 'number') axes[axis].push({ t: e.timeStamp / 1000, a });
    }
  };
  listening.value = true;
  window.addEventListener('devicemotion', hear);
  await new Promise((done) => setTimeout(done, LISTEN_MS));
  window.removeEventListener('devicemotion', hear);
  listening.value = false;
  const range = (of: readonly Shake[]): number =>
    of.length === 0 ? 0 : Math.max(...of.map((s) => s.a)) - Math.min(...of.map((s) => s.a));
  // it swings along one of the three more than along the others
  const [most] = Object.values(axes).sort((a, b) => range(b) - range(a));
  const bump = readBump(most!);
  if (bump) emit('read', bump);
  else
    message.value =
      most!.length === 0
        ? 'This device tells no motion.'
        : 'No bump that dies away was felt: knock once, and hold nothing.';
}
</script>

<template>
  <p v-if="there" class="bump">
    <v-btn :prepend-icon="mdiVibrate" :loading="listening" @click="listen">Feel a bump with this phone</v-btn>
    <span role="status">{{ listening ? 'Lay it on the drive and knock once, now.' : message }}</span>
  </p>
</template>

<style scoped>
.bump {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem;
  font-size: 0.875rem;
}
</style>
