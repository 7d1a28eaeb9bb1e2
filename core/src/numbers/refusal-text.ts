import type { Refusal } from './refusal.ts';
import { refusalWords } from './refusal-words.ts';

const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** What is wrong and what to do, as two sentences for under a field: "12.5 is not a whole count." "Half a tooth …" */
export function refusalSays(r: Refusal): { readonly says: string; readonly cure: string } {
  const words = refusalWords[r.code];
  return { says: `${upper(words.says(r))}.`, cure: `${upper(words.cure(r))}.` };
}

/** One sentence that names the place, for the terminal and for imports: "train.stages[1].wheel: 12.5 is not a whole count; write …." */
export function refusalSentence(r: Refusal): string {
  const words = refusalWords[r.code];
  const place = r.path ? `${r.path}: ` : '';
  return `${place}${words.says(r)}; ${words.cure(r)}.`;
}
