<script setup lang="ts">
import { computed, ref } from 'vue';
import { pullTest, pushTest, readSize, roughTest, type Edit, type Refusal } from '@pendrix/core';
import FoldPanel from '../../../ui/FoldPanel.vue';
import ReadField from '../../../ui/ReadField.vue';
import { useReport } from '../../../ui/open-drive.ts';
import { useSeveralEdits } from '../../../ui/several-edits.ts';

/** Tests of a minute on the bench: what they give takes the place of a guess, and is marked as measured. */
const report = useReport();
const values = ref<Readonly<Record<string, number>>>({});
const texts = ref<Readonly<Record<string, string>>>({});
const put =
  (key: string) =>
  (text: string): Refusal | null => {
    texts.value = { ...texts.value, [key]: text };
    if (text.trim() === '') {
      const { [key]: _, ...rest } = values.value;
      values.value = rest;
      return null;
    }
    const read = readSize(text, { min: 0, max: 1e6, example: '9' });
    if (!read.ok) return read.refusal;
    values.value = { ...values.value, [key]: read.value };
    return null;
  };
const of = (...keys: string[]): number[] | null => {
  const all = keys.map((k) => values.value[k]);
  return all.every((v) => v !== undefined && v > 0) ? (all as number[]) : null;
};
const short = (n: number): string => String(Number(n.toPrecision(3)));
const pull = computed(() => {
  const v = of('forth', 'back', 'radius');
  return v && pullTest(v[0]!, v[1]!, v[2]! / 1000);
});
const push = computed(() => {
  const v = of('t1', 's1', 't2', 's2');
  return v && pushTest(v[0]!, v[1]!, v[2]!, v[3]!);
});
const stepper = computed(() => {
  const { source } = report.value.drive.train;
  return source.kind === 'stepper' ? source : null;
});
const dc = computed(() => report.value.drive.train.source.kind === 'encoderMotor');
const rough = computed(() => {
  const v = of('rough');
  return v && stepper.value?.holdingNm
    ? roughTest(stepper.value.fullSteps / 4, stepper.value.holdingNm, v[0]!)
    : null;
});

/** The keys that count as measured, with more of them. */
const measured = (list: string | undefined, ...keys: string[]): string =>
  [...new Set([...(list ?? '').split(/[\s,]+/).filter(Boolean), ...keys])].join(', ');
const take = useSeveralEdits();
const load = (key: string, text: string): Edit => ({ do: 'duty', duty: 'load', at: 0, key, text });
const takePull = (): void =>
  take([
    load('frictionNm', short(pull.value!.frictionNm)),
    load('measured', measured(report.value.drive.job.load?.measured, 'frictionNm')),
  ]);
const takeRough = (): void =>
  take([
    { do: 'source', key: 'resonanceStepRate', text: texts.value['rough']! },
    { do: 'source', key: 'measured', text: measured(stepper.value?.measured, 'resonanceStepRate') },
  ]);
const takeStall = (): void => {
  const { source } = report.value.drive.train;
  take([
    {
      do: 'source',
      key: 'stallNm',
      text: short((of('stallN', 'stallMm')![0]! * of('stallN', 'stallMm')![1]!) / 1000),
    },
    { do: 'source', key: 'measured', text: measured((source as { measured?: string }).measured, 'stallNm') },
  ]);
};
/** The push test names the play and stiffness of the last stage. */
const takePush = (): void => {
  const { stages } = report.value.drive.train;
  const at = stages.length - 1;
  const stage = stages[at];
  if (!stage || !push.value) return;
  take([
    { do: 'stage', at, key: 'stiffnessNmPerRad', text: short(push.value.stiffnessNmPerRad) },
    { do: 'stage', at, key: 'playArcmin', text: short(Math.max(0, push.value.playArcsec) / 60) },
    { do: 'stage', at, key: 'measured', text: measured(stage.measured, 'stiffnessNmPerRad', 'playArcmin') },
  ]);
};
</script>

<template>
  <FoldPanel class="panel" title="Small tests" note="a minute each; what they give is marked as measured">
    <div class="tests">
      <section aria-label="Pull test">
        <h4>Pull test</h4>
        <p class="quiet">
          Motor off its wheel. Pull the loaded work with a spring balance, one way and the other.
        </p>
        <ReadField label="One way" unit="N" :value="texts['forth'] ?? ''" :commit="put('forth')" />
        <ReadField label="Other way" unit="N" :value="texts['back'] ?? ''" :commit="put('back')" />
        <ReadField label="At radius" unit="mm" :value="texts['radius'] ?? ''" :commit="put('radius')" />
        <p v-if="pull">
          friction <b>{{ short(pull.frictionNm) }} N·m</b>, out of balance
          <b>{{ short(pull.imbalanceNm) }} N·m</b>
        </p>
        <v-btn :disabled="!pull" @click="takePull">Take the friction</v-btn>
      </section>
      <section aria-label="Push test">
        <h4>Push test</h4>
        <p class="quiet">
          Motor held. Push the work both ways at two torques; read the whole spread each time.
        </p>
        <ReadField label="First torque" unit="N·m" :value="texts['t1'] ?? ''" :commit="put('t1')" />
        <ReadField label="Spread" unit="″" :value="texts['s1'] ?? ''" :commit="put('s1')" />
        <ReadField label="Second torque" unit="N·m" :value="texts['t2'] ?? ''" :commit="put('t2')" />
        <ReadField label="Spread" unit="″" :value="texts['s2'] ?? ''" :commit="put('s2')" />
        <p v-if="push">
          stiffness <b>{{ short(push.stiffnessNmPerRad) }} N·m/rad</b>, backlash
          <b>{{ short(push.playArcsec) }}″</b>
        </p>
        <v-btn :disabled="!push || report.drive.train.stages.length === 0" @click="takePush"
          >Take both for the last stage</v-btn
        >
      </section>
      <section v-if="stepper" aria-label="Rough speed">
        <h4>Rough speed</h4>
        <p class="quiet">
          Speed up slowly from standstill; write the full steps a second at which it is roughest.
        </p>
        <ReadField label="Rough at" unit="steps/s" :value="texts['rough'] ?? ''" :commit="put('rough')" />
        <p v-if="rough">
          what turns has <b>{{ rough.toExponential(2) }} kg·m²</b>
        </p>
        <v-btn :disabled="!of('rough')" @click="takeRough">Take the band</v-btn>
      </section>
      <section v-if="dc" aria-label="Stall test">
        <h4>Stall test</h4>
        <p class="quiet">An arm on the motor against a spring balance, a second at most: it heats fast.</p>
        <ReadField label="Pull" unit="N" :value="texts['stallN'] ?? ''" :commit="put('stallN')" />
        <ReadField label="Arm" unit="mm" :value="texts['stallMm'] ?? ''" :commit="put('stallMm')" />
        <v-btn :disabled="!of('stallN', 'stallMm')" @click="takeStall">Take the stall torque</v-btn>
      </section>
    </div>
  </FoldPanel>
</template>

<style scoped>
.panel {
  padding: 0 16px 0 20px;
}
.tests {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
  gap: 16px 20px;
  padding: 4px 4px 12px;
}
section {
  display: flex;
  flex-direction: column;
  gap: 6px;
  align-items: stretch;
}
h4 {
  font-size: 15px;
  font-weight: 650;
}
p {
  font-size: 14px;
  line-height: 18px;
}
</style>
