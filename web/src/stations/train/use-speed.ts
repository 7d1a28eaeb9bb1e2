import { computed, ref, type ComputedRef, type Ref } from 'vue';
import { usePreferredReducedMotion } from '@vueuse/core';
import { shaftAngles, toNumber, treeAngles, type Report, type TreeReport } from '@pendrix/core';
import type { Turning } from '../../ui/turning.ts';

/** Still, at the source's own speed, or twenty times as fast. */
const SPEEDS = [
  { value: 0, title: 'Still' },
  { value: 1, title: 'True speed' },
  { value: 20, title: '20×' },
] as const;

interface SpeedChoice {
  readonly value: number;
  readonly title: string;
  readonly disabled: boolean;
  readonly hint: string;
}

/** How the drawing turns; always still where less motion is wanted. */
export function useSpeed(
  report: () => Report,
  tree: () => TreeReport,
): {
  readonly speed: Ref<number>;
  /** 0 where less motion is wanted */
  readonly speedShown: ComputedRef<number>;
  readonly speeds: ComputedRef<readonly SpeedChoice[]>;
  readonly turning: ComputedRef<Turning | null>;
} {
  const motion = usePreferredReducedMotion();
  const speed = ref(0);
  const still = computed(() => motion.value === 'reduce');
  const turning = computed(() => {
    if (speed.value === 0 || still.value) return null;
    const all = tree();
    if (all.several) return { angles: treeAngles(all.drive), perSecond: speed.value };
    const { drive, kinematics } = report();
    return {
      angles: shaftAngles(drive.train),
      perSecond: (toNumber(kinematics.speed.rpm) / 60) * speed.value,
    };
  });
  return {
    speed,
    speedShown: computed(() => (still.value ? 0 : speed.value)),
    speeds: computed(() =>
      SPEEDS.map((s) => ({
        ...s,
        disabled: still.value && s.value > 0,
        hint: still.value ? 'Your system asks for less motion' : '',
      })),
    ),
    turning,
  };
}
