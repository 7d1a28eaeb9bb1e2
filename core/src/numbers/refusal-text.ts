import type { Refusal } from './refusal.ts';
import { refusalWords } from './refusal-words.ts';

const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** What is wrong and what to do, as two sentences for under a field: "12.5 is not a whole count." "Half a tooth …" */
export function refusalMessage(r: Refusal): { readonly message: string; readonly cure: string } {
  const words = refusalWords[r.code];
  return { message: `${upper(words.message(r))}.`, cure: `${upper(words.cure(r))}.` };
}

/** One sentence that names the place, for the terminal and for imports: "train.stages[1].wheel: 12.5 is not a whole count; write …." */
export function refusalSentence(r: Refusal): string {
  const words = refusalWords[r.code];
  const place = r.path ? `${r.path}: ` : '';
  return `${place}${words.message(r)}; ${words.cure(r)}.`;
}
