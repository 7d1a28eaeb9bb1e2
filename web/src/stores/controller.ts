import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { connectGcode, connectLines, type Controller, type LineLink, type Status } from '@pendrix/core';
import { hasSerial, pageClock, serialLink, socketLink, workerLink } from '../control/links.ts';

/** Where a controller can be. */
export const CONTROLLER_WAYS = {
  browser: 'Stand-in in this browser',
  server: 'Stand-in of the server',
  socket: 'WebSocket address',
  serial: 'Serial port',
  gcode: 'Serial port, G-code',
} as const;
export type ControllerWay = keyof typeof CONTROLLER_WAYS;

/** How one is connected: the address of a socket, words of a stand-in, and of G-code its letter and counts of a unit. */
export interface ControllerAsked {
  readonly way: ControllerWay;
  readonly address: string;
  readonly words: string;
  readonly baud: number;
  readonly letter: string;
  readonly countsPerUnit: number;
}

/** The controller that this page is connected to: one, whichever station is shown. */
export const useController = defineStore('controller', () => {
  const controller = shallowRef<Controller | null>(null);
  const status = shallowRef<Status | null>(null);
  const connecting = ref(false);
  /** why there is none, or none any more */
  const lost = ref<string | null>(null);
  /** edges of both channels since somebody last asked */
  let edges = { a: 0, b: 0 };

  const linkTo = async (asked: ControllerAsked): Promise<LineLink> => {
    switch (asked.way) {
      case 'browser':
        return workerLink(asked.words);
      case 'server':
        return socketLink(`${location.origin.replace(/^http/, 'ws')}/controller?${asked.words}`);
      case 'socket':
        return socketLink(asked.address);
      case 'serial':
      case 'gcode':
        return serialLink(asked.baud);
    }
  };

  async function connect(asked: ControllerAsked): Promise<void> {
    disconnect();
    connecting.value = true;
    lost.value = null;
    try {
      const link = await linkTo(asked);
      const made =
        asked.way === 'gcode'
          ? await connectGcode(link, pageClock, { letter: asked.letter, countsPerUnit: asked.countsPerUnit })
          : await connectLines(link, pageClock);
      made.onStatus = (s) => {
        edges = { a: edges.a + s.edges.a, b: edges.b + s.edges.b };
        status.value = s;
      };
      made.onLost = (why) => {
        if (controller.value !== made) return;
        controller.value = null;
        status.value = null;
        lost.value = why;
      };
      await made.hold(true);
      controller.value = made;
      status.value = made.status();
    } catch (fault) {
      lost.value = fault instanceof Error ? fault.message : 'it could not be connected';
    } finally {
      connecting.value = false;
    }
  }
  function disconnect(): void {
    const old = controller.value;
    controller.value = null;
    status.value = null;
    old?.close();
  }
  /** what was counted of edges until now; counting begins anew */
  function takeEdges(): { readonly a: number; readonly b: number } {
    const taken = edges;
    edges = { a: 0, b: 0 };
    return taken;
  }
  return {
    controller,
    status,
    connecting,
    lost,
    moving: computed(() => status.value?.moving ?? false),
    hasSerial,
    connect,
    disconnect,
    takeEdges,
  };
});
