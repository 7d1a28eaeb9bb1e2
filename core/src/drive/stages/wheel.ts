/** A wheel that a stage wants made. (handbook: make) */
export interface WheelToMake {
  /** "driver", "worm wheel", "planet" */
  readonly label: string;
  readonly teeth: number;
  readonly as: 'gear' | 'ring' | 'pulley' | 'wormWheel';
  /** which key holds its own profile shift */
  readonly shiftKey?: 'shift' | 'shiftDriven';
  /** which key holds its module; `moduleMm` unless said */
  readonly moduleKey?: 'moduleOutMm';
  /** how many of it */
  readonly count?: number;
}
