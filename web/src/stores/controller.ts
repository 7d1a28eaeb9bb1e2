import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { dialectOf, type Controller, type DialectId, type LineLink, type Status } from '@pendrix/core';
import { holdDriving } from '../control/driving-lock.ts';
import { hasSerial, pageClock, serialLink, socketLink, workerLink } from '../control/links.ts';

/** Where a controller can be, and what is spoken there. */
interface Way {
  readonly title: string;
  readonly dialect: DialectId;
  /** it is at a serial port, which not every browser has */
  readonly serial?: true;
  readonly link: (asked: ControllerAsked) => LineLink | Promise<LineLink>;
}

/** Every way, in the order they are offered. One line a way. */
export const controllerWays = {
  browser: { title: 'Stand-in in this browser', dialect: 'lines', link: ({ words }) => workerLink(words) },
  server: {
    title: 'Stand-in of the server',
    dialect: 'lines',
    link: ({ words }) => socketLink(`${location.origin.replace(/^http/, 'ws')}/controller?${words}`),
  },
  socket: { title: 'WebSocket address', dialect: 'lines', link: ({ address }) => socketLink(address) },
  serial: { title: 'Serial port', dialect: 'lines', serial: true, link: ({ baud }) => serialLink(baud) },
  gcode: {
    title: `Serial port, ${dialectOf('gcode').title}`,
    dialect: 'gcode',
    serial: true,
    link: ({ baud }) => serialLink(baud),
  },
} as const satisfies Readonly<Record<string, Way>>;
export type ControllerWay = keyof typeof controllerWays;
export const wayOf = (way: ControllerWay): Way => controllerWays[way];
/** Those that this browser has. */
export const waysHere = (): readonly ControllerWay[] =>
  (Object.keys(controllerWays) as ControllerWay[]).filter((w) => hasSerial() || !wayOf(w).serial);

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
  // an update waits for it
  let letGo: () => void = () => undefined;

  async function connect(asked: ControllerAsked): Promise<void> {
    disconnect();
    connecting.value = true;
    lost.value = null;
    try {
      const { link, dialect } = wayOf(asked.way);
      const made = await dialectOf(dialect).connect(await link(asked), pageClock, asked);
      made.onStatus = (s) => {
        edges = { a: edges.a + s.edges.a, b: edges.b + s.edges.b };
        status.value = s;
      };
      made.onLost = (why) => {
        if (controller.value !== made) return;
        controller.value = null;
        status.value = null;
        lost.value = why;
        letGo();
      };
      await made.hold(true);
      controller.value = made;
      letGo = holdDriving();
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
    letGo();
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
    connect,
    disconnect,
    takeEdges,
  };
});
