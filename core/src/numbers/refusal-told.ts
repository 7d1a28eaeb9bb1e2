/** The parts of a refusal that the words may use. */
export interface Told {
  readonly given: string;
  readonly limit?: string;
  readonly unit?: string;
  readonly example?: string;
}

/** What is wrong, and what to do about it. Neither has a full stop: they are joined into one sentence for the terminal. */
export interface Words {
  readonly message: (t: Told) => string;
  readonly cure: (t: Told) => string;
}
