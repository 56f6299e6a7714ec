import { USUAL } from '../../ground/usual';
import type { HoursPlan } from '../../method/weather/plan';
import { onlyRow, siteOf } from './theVisit';
import type { VisitDocument } from '../../model/document';

/** What a visit's hours are scored for; null as long as nobody has said where the site is. */
export function hoursPlanOf(document: VisitDocument): HoursPlan | null {
  const site = siteOf(document);
  const { insideC, strictness, season, timeConstantsH } = onlyRow(document, 'plan').value;
  if (site.latitude === null || site.longitude === null) return null;
  return {
    latitude: site.latitude,
    longitude: site.longitude,
    timezone: site.timeZone,
    inside_c: insideC ?? USUAL.airC,
    strictness,
    season,
    purpose: onlyRow(document, 'intake').value.kind === 'solar-gain' ? 'solar-gain' : 'faults',
    facades: site.facades,
    time_constants_h: timeConstantsH,
  };
}
