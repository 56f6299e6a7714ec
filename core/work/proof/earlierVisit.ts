/** A visit of a site, as one is chosen from. */
export interface EarlierVisit {
  id: string;
  title: string;
  /** ms since 1970. */
  startedAt: number;
  /** Findings that were left open on it. */
  open: number;
}
