import { byPlates, type Report } from '@pendrix/core';

/** The tabs of Check, in the order they stand; `asked` when the job asks for what they judge. */
export const tabs = {
  divisions: { title: 'Divisions', asked: (r: Report): boolean => r.counts.length > 0 && !byPlates(r.drive) },
  plates: { title: 'Plates', asked: (r: Report): boolean => r.plates !== null },
  rate: { title: 'Rate', asked: (r: Report): boolean => r.duties.rates.length > 0 },
  camera: {
    title: 'Camera',
    asked: (r: Report): boolean => r.duties.camera !== null || r.duties.altAz !== null,
  },
  arm: { title: 'Arm', asked: (r: Report): boolean => r.duties.arm !== null },
  sweep: { title: 'Sweep', asked: (r: Report): boolean => r.duties.sweeps.length > 0 },
  spin: {
    title: 'Speed',
    asked: (r: Report): boolean => r.duties.spins.length > 0 || r.duties.knob !== null,
  },
} as const;

export type TabId = keyof typeof tabs;

export const isTab = (text: unknown): text is TabId => typeof text === 'string' && Object.hasOwn(tabs, text);

/** What is shown when nobody chose: the plates of a head turned by hand, else the first that is asked. */
export function firstTab(r: Report): TabId {
  if (byPlates(r.drive)) return 'plates';
  return (Object.keys(tabs) as TabId[]).find((id) => tabs[id].asked(r)) ?? 'divisions';
}
