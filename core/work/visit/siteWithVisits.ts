import type { Row } from '../../model/entities';

export interface SiteVisit {
  row: Row<'visit'>;
  frames: number;
  findings: number;
}

export interface SiteWithVisits {
  row: Row<'site'>;
  /** The newest first. */
  visits: SiteVisit[];
}
