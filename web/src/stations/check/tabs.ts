import { byPlates, dutyGroups, kindOfDuty, type Report } from '@pendrix/core';

/** One tab of Check. */
interface Tab {
  readonly id: string;
  readonly title: string;
  /** the job asks for what it judges */
  readonly asked: (report: Report) => boolean;
  /** only where a drive has several outputs */
  readonly several?: true;
}

const groups: readonly Tab[] = dutyGroups
  .map(({ id, title, kinds }): Tab => ({
    id,
    title,
    asked: (r) => kinds.some((kind) => kindOfDuty(kind).asked(r.drive)),
  }))
  .sort((a, b) => Number(b.id === 'plates') - Number(a.id === 'plates'));

/** The tabs of Check in the order they stand: divisions, plates, and what else a drive is judged by. */
export const tabs: readonly Tab[] = [
  { id: 'outputs', title: 'Outputs', asked: () => true, several: true },
  {
    id: 'divisions',
    title: 'Divisions',
    asked: (r: Report) => r.counts.length > 0 && !byPlates(r.drive),
  },
  ...groups.filter((g) => g.id !== 'force'),
  { id: 'errors', title: 'Errors', asked: (r: Report) => r.judged.errors.first !== null },
  ...groups.filter((g) => g.id === 'force'),
  { id: 'picture', title: 'Picture', asked: (r: Report) => r.judged.pictures.length > 0 },
];

export const isTab = (text: unknown): text is string =>
  typeof text === 'string' && tabs.some((t) => t.id === text);

/** What is shown when nobody chose: the plates of a head turned by hand, else the first that is asked. */
export function firstTab(r: Report, several = false): string {
  if (several && tabs.every((t) => t.several || !t.asked(r))) return 'outputs';
  if (byPlates(r.drive)) return 'plates';
  return tabs.find((t) => !t.several && t.asked(r))?.id ?? 'divisions';
}
