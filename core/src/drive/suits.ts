/** What a maker should know of a kind before choosing it. (handbook: choose, families) */
export interface Suits {
  /** what it brings, a short sentence */
  readonly brings: string;
  /** what it asks of the maker, a few words */
  readonly asks: string;
}
