import { computed, ref } from 'vue';
import { error, refusalMessage } from '@pendrix/core';
import { useRecords } from '../records/records.ts';
import { wholeWorkshop } from '../records/whole.ts';
import { useNotices } from '../stores/notices.ts';
import { saveBackup } from './files.ts';

const KEY = 'pendrix.backup';
/** Older than so many days it is said so. */
const OLD_DAYS = 30;
const DAY_MS = 86_400_000;
const last = ref(kept());

/** Drives with their logs and revisions, shelf and runs as one file to keep. An empty file is none: while nothing is known it is not written. */
export async function backUpAll(): Promise<void> {
  const { unread } = useRecords();
  const whole = wholeWorkshop();
  const isEmpty = Object.values(whole).every((list: readonly unknown[]) => list.length === 0);
  const mayCome = unread?.code === 'storageSlow' || unread?.code === 'storageHeld';
  const refusal = isEmpty || mayCome ? (unread ?? error('nothingThere', '').refusal) : null;
  if (refusal) {
    const { message, cure } = refusalMessage(refusal);
    useNotices().tell({ message: `${message} ${cure}`, tone: 'bad' });
    return;
  }
  await saveBackup(whole);
  last.value = Date.now();
  try {
    localStorage.setItem(KEY, String(last.value));
  } catch {
    // Storage that is shut changes nothing but that the day is forgotten.
  }
}

/** When everything was last backed up, in a few words, and whether that is too long ago. */
export const lastBackup = computed(() => {
  if (last.value === null) return { words: 'no backup yet', old: false };
  const days = Math.floor((Date.now() - last.value) / DAY_MS);
  const words = days <= 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
  return { words: `last ${words}`, old: days >= OLD_DAYS };
});

function kept(): number | null {
  try {
    const at = Number(localStorage.getItem(KEY));
    return Number.isFinite(at) && at > 0 ? at : null;
  } catch {
    return null;
  }
}
