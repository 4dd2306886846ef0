/** One line of why something came out as it did, with the figures put in. */
export interface WhyLine {
  readonly what: string;
  readonly figures: string;
}
