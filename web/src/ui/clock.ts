const as = (options: Intl.DateTimeFormatOptions): ((at: number | Date) => string) => {
  // made when it is first wanted: four of them would take a twentieth of a second of every start
  let format: Intl.DateTimeFormat | undefined;
  return (at) => (format ??= new Intl.DateTimeFormat('en-GB', options)).format(at).replace(',', '');
};
const hm = { hour: '2-digit', minute: '2-digit' } as const;
const day = { day: 'numeric', month: 'short' } as const;

/** "20:41:07" */
export const timeOfDay = as({ ...hm, second: '2-digit' });
/** "20:41" */
export const hourMinute = as(hm);
/** "24 Nov 20:41" */
export const dayAndTime = as({ ...day, ...hm });
/** "24 Nov 2026" */
export const dayOfYear = as({ ...day, year: 'numeric' });

/** "2026-11-28", by the clock here: days as they are kept. */
export const today = (now = new Date()): string =>
  `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`;
/** "2026-11-28 21:40" */
export const thisMinute = (now = new Date()): string => `${today(now)} ${hourMinute(now)}`;

/** "today 20:41", "3 Nov 20:41", or with the year when it is another. */
export function touchedAt(at: number, now = new Date()): string {
  const then = new Date(at);
  if (then.toDateString() === now.toDateString()) return `today ${hourMinute(at)}`;
  return then.getFullYear() === now.getFullYear() ? dayAndTime(at) : dayOfYear(at);
}
