import { connectLines, type Clock, type Controller, type LineLink } from './client.ts';
import { connectGcode, type GcodeAxis } from './gcode.ts';

/** What a dialect is told besides its link: each takes what it needs. */
export type DialectAsked = GcodeAxis;

/** One way to speak to a controller. Each is held to the same promises by `contract.test.ts`. */
export interface Dialect {
  /** "G-code" */
  readonly title: string;
  /** it wants to know its letter and the counts of its unit */
  readonly asks: readonly (keyof DialectAsked)[];
  readonly connect: (link: LineLink, clock: Clock, asked: DialectAsked) => Promise<Controller>;
}

/** Every dialect. To add one: a file with what connects, a line here, and its stand-in in `testing/stand-ins.ts`. */
export const dialects = {
  lines: { title: 'lines of JSON', asks: [], connect: (link, clock) => connectLines(link, clock) },
  gcode: { title: 'G-code', asks: ['letter', 'countsPerUnit'], connect: connectGcode },
} as const satisfies Readonly<Record<string, Dialect>>;

export type DialectId = keyof typeof dialects;
export const dialectOf = (id: DialectId): Dialect => dialects[id];
