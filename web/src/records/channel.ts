import type { RowKey } from './database.ts';

/** What tabs tell each other: which records they wrote. What stands in them is read from the database. */
export interface Channel {
  readonly tell: (keys: readonly RowKey[]) => void;
  readonly listen: (told: (keys: readonly RowKey[]) => Promise<void>) => void;
}

/** The channel of this name; null where the browser has none: then a tab sees the others' writes when it is shown again or writes itself. */
export function channelOf(name: string): Channel | null {
  if (typeof BroadcastChannel === 'undefined') return null;
  const channel = new BroadcastChannel(name);
  // under Node an open channel would keep the process
  (channel as { unref?: () => void }).unref?.();
  return {
    tell: (keys) => channel.postMessage(keys),
    listen: (told) => {
      channel.onmessage = (e: MessageEvent<readonly RowKey[]>) => void told(e.data);
    },
  };
}
