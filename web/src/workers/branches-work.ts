/** Two branches as plain data: what can pass to a worker and back. */
export interface TextBranches {
  readonly first: readonly (readonly [number, number])[];
  readonly second: readonly (readonly [number, number])[];
  readonly shares: 'nothing' | 'wheel' | 'pair';
  readonly wheels: number;
  readonly teeth: number;
  /** parts in a million of either */
  readonly ppm: readonly [number, number];
}

/** What is asked, exact numbers as text. */
export interface BranchesTask {
  readonly wanted: readonly [string, string];
  readonly within: string;
  readonly teeth: { readonly from: number; readonly to: number };
  readonly count: number;
}

export interface BranchesWork {
  readonly search: (task: BranchesTask) => readonly TextBranches[];
}
