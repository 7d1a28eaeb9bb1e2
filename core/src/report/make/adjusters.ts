/** One line of the user's own map: an adjuster, what it is felt by, what to do with it. */
export interface Adjuster {
  readonly name: string;
  readonly felt: string;
  readonly act: string;
}

/** "wall screws: stiff → release; jack: rattles → up": what cannot be read as that is left out. (handbook: make, adjusting a mesh) */
export const readAdjusters = (text: string | undefined): readonly Adjuster[] =>
  (text ?? '').split(/[;\n]+/).flatMap((line) => {
    const [, name, felt, act] = /^\s*([^:]+):\s*(.+?)\s*(?:→|->|=>)\s*(.+?)\s*$/.exec(line) ?? [];
    return name && felt && act ? [{ name: name.trim(), felt, act }] : [];
  });

const words = (text: string): readonly string[] => text.toLowerCase().match(/\p{L}{4,}/gu) ?? [];
/** "rattles" and "rattling" are felt alike */
const stem = (word: string): string => word.slice(0, 5);

/** Those that are felt by what is told: any word of it in common. */
export function adjustersFor(text: string | undefined, told: string): readonly Adjuster[] {
  const heard = new Set(words(told).map(stem));
  return readAdjusters(text).filter((a) => words(a.felt).some((w) => heard.has(stem(w))));
}
