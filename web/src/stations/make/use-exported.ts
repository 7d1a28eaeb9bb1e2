import { onScopeDispose, reactive, watch } from 'vue';
import { refusalSentence, type Drive } from '@pendrix/core';
import type { ExportId, ExportOptions } from '@pendrix/core/exports/index';
import { exportText } from '../../ui/exporting.ts';

/** A drawing as its file holds it, for an image; or why there is none. */
export function useExported(drive: () => Drive, as: ExportId, options: () => ExportOptions) {
  const shown = reactive<{ url: string | null; refusal: string | null }>({ url: null, refusal: null });
  const forget = (): void => {
    if (shown.url) URL.revokeObjectURL(shown.url);
    shown.url = null;
  };
  watch(
    [drive, options],
    async ([d, o]) => {
      const text = await exportText(d, as, o);
      if (d !== drive()) return;
      forget();
      shown.refusal = text.ok ? null : refusalSentence({ ...text.refusal, path: '' });
      if (text.ok) shown.url = URL.createObjectURL(new Blob([text.value], { type: 'image/svg+xml' }));
    },
    { immediate: true },
  );
  onScopeDispose(forget);
  return shown;
}
