import { readonly, ref, watch, type Ref } from 'vue';

/** Was it ever true? */
export function useEver(of: Ref<boolean>): Readonly<Ref<boolean>> {
  const ever = ref(of.value);
  watch(of, (now) => {
    if (now) ever.value = true;
  });
  return readonly(ever);
}
