import { ok, type Result } from '../numbers/index.ts';
import type { DutyId, Drive, Edit } from '../drive/index.ts';
import type { Rich } from '../words/index.ts';

/** An edit and the output of the drive it is of, from 0. */
export interface OutputEdit {
  readonly output: number;
  readonly edit: Edit;
}
/** An edit of the first output, or of another. */
export type Answering = Edit | OutputEdit;
export const ofOutput = (one: Answering): OutputEdit => ('edit' in one ? one : { output: 0, edit: one });

/** One question to who knows no number. Its answer is a field of the Job. (handbook: choose, first questions) */
export interface Question {
  readonly id: string;
  readonly title: string;
  /** what it is about, in a few words below it */
  readonly hint: string;
  readonly unit?: string;
  /** one of these, or as typed where `typed` */
  readonly options?: readonly { readonly value: string; readonly title: string }[];
  readonly typed?: boolean;
  /** several of the options at once, words with commas */
  readonly several?: boolean;
  /** the answer in force, as it would be typed; nothing where there is none */
  readonly get: (drive: Drive) => string;
  /** the edits that make it so; each is refused as anywhere */
  readonly set: (drive: Drive, text: string) => Result<readonly Answering[]>;
  /** it is asked only where this holds */
  readonly when?: (drive: Drive) => boolean;
  /** what is taken by who does not know; nothing where nobody else can know */
  readonly taken: string;
  /** nothing can be proposed without it */
  readonly needed?: true;
  /** what stands in the empty field: the answer as it might be */
  readonly example: string;
  /** what the answer means, in figures */
  readonly means: (drive: Drive) => Rich;
}

/** What a drive can be asked to do first. (handbook: choose, first questions) */
export interface Aim {
  readonly title: string;
  readonly hint: string;
  readonly questions: readonly Question[];
  /** it is made of nothing but wheels: they are found, and no motor is chosen */
  readonly wheels?: true;
  /** what is put into an empty job before anything is answered */
  readonly begins: readonly Edit[];
}

const fieldOf = (drive: Drive, duty: DutyId): Readonly<Record<string, unknown>> | undefined => {
  const home = { ...drive.job, ...drive } as unknown as Readonly<Record<string, unknown>>;
  const value = home[duty];
  return (Array.isArray(value) ? value[0] : value) as Readonly<Record<string, unknown>> | undefined;
};

/** What stands in a field of the first duty of a kind, as text; nothing where there is none. */
export function inDuty(drive: Drive, duty: DutyId, key: string): string {
  const value = fieldOf(drive, duty)?.[key];
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

/** The same as a number. */
export const numberIn = (drive: Drive, duty: DutyId, key: string): number => Number(inDuty(drive, duty, key));

export const toDuty = (duty: DutyId, key: string, text: string): Edit => ({
  do: 'duty',
  duty,
  at: 0,
  key,
  text,
});

/** A question whose answer is one field of a duty. */
export const asField = (duty: DutyId, key: string): Pick<Question, 'get' | 'set'> => ({
  get: (drive) => inDuty(drive, duty, key),
  set: (_, text) => ok([toDuty(duty, key, text)]),
});
