<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { readSize, type BenchForm, type Refusal } from '@pendrix/core';
import ReadField from './ReadField.vue';
import { useSeveralEdits } from './several-edits.ts';

/** Forms of a minute: tests on the bench whose result takes the place of a guess, and small reckonings. */
const { forms, given = {} } = defineProps<{
  forms: readonly BenchForm[];
  /** what was measured otherwise, by form and field: "settling.hz"; it stands until it is written over */
  given?: Readonly<Record<string, string>>;
}>();
const take = useSeveralEdits();
const texts = ref<Readonly<Record<string, string>>>({});
const values = ref<Readonly<Record<string, number>>>({});
type Field = BenchForm['fields'][number];
const textOf = (form: BenchForm, f: Field): string => texts.value[`${form.id}.${f.key}`] ?? f.usual ?? '';
watch(
  () => given,
  (now) => {
    texts.value = { ...texts.value, ...now };
    values.value = {
      ...values.value,
      ...Object.fromEntries(Object.entries(now).map(([key, text]) => [key, Number(text)])),
    };
  },
);
const put =
  (form: BenchForm, f: Field) =>
  (text: string): Refusal | null => {
    const key = `${form.id}.${f.key}`;
    if (text.trim() !== '') {
      const read = readSize(text, { min: 1e-9, max: 1e9, example: f.usual ?? '9' });
      if (!read.ok) return read.refusal;
      values.value = { ...values.value, [key]: read.value };
    } else values.value = Object.fromEntries(Object.entries(values.value).filter(([k]) => k !== key));
    texts.value = { ...texts.value, [key]: text };
    return null;
  };
const answers = computed(() =>
  forms.map((form) => {
    const given = form.fields.map((f): [string, number | undefined] => {
      const key = `${form.id}.${f.key}`;
      return [
        f.key,
        key in texts.value ? values.value[key] : f.usual === undefined ? undefined : Number(f.usual),
      ];
    });
    const whole = given.every(([, v]) => v !== undefined);
    return whole ? form.answer(Object.fromEntries(given) as Record<string, number>) : null;
  }),
);
</script>

<template>
  <div class="forms">
    <section v-for="(form, i) in forms" :key="form.id" :aria-label="form.title">
      <h4>{{ form.title }}</h4>
      <p class="quiet">{{ form.message }}</p>
      <ReadField
        v-for="f in form.fields"
        :key="f.key"
        :label="f.label"
        :unit="f.unit"
        :value="textOf(form, f)"
        :commit="put(form, f)"
      />
      <p class="gives" role="status">
        <b>{{ answers[i]?.text ?? '–' }}</b>
      </p>
      <v-btn v-if="form.take" :disabled="!answers[i]" @click="take(answers[i]!.edits)">{{ form.take }}</v-btn>
    </section>
  </div>
</template>

<style scoped>
.forms {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(13.125rem, 1fr));
  gap: 1.125rem 1.375rem;
  padding: 0.25rem 0 0.875rem;
}
section {
  display: flex;
  flex-direction: column;
  gap: 0.3125rem;
  align-items: stretch;
}
section .v-btn {
  align-self: flex-start;
}
h4 {
  font-size: 0.9375rem;
  font-weight: 650;
}
p {
  font-size: 0.875rem;
  line-height: 1.125rem;
}
.gives {
  min-height: 1.125rem;
}
</style>
