/** The tabs of Make, in the order they stand. */
export const makeTabs = [
  { id: 'wheels', title: 'Wheels' },
  { id: 'circles', title: 'Drawings' },
  { id: 'belts', title: 'Belts' },
  { id: 'fits', title: 'Fits, parts' },
  { id: 'build', title: 'Build' },
  { id: 'faults', title: 'Faults' },
] as const;

export type MakeTab = (typeof makeTabs)[number]['id'];

export const isMakeTab = (text: unknown): text is MakeTab => makeTabs.some((t) => t.id === text);
