import type { VisitDocument } from '../../model/document';
import { USUAL } from '../../ground/usual';
import { facadeBeam, dayOfYear, irradiance } from '../../method/weather/irradiance';
import { compassWord, hoursPlanSchema, type HoursPlan } from '../../method/weather/plan';
import { facadeReasons, insideReasons, type Now, outsideReasons, type Reason } from '../../method/weather/reasons';
import { gradeOf, rated } from '../../method/weather/rated';
import { skyTemperature } from '../../method/weather/sky';
import { sunPosition } from '../../method/weather/sun';
import { offBalance } from '../../method/weather/offBalance';
import type { WallHistory } from '../../method/weather/wallHistory';
import { USUAL_TIME_CONSTANTS, type Wall } from '../../method/weather/wallMemory';
import { sunnyShare } from './sunnyShare';
import { wallHistoryAt } from './wallHistoryOf';
import { excessAfterSun } from '../../method/weather/wallResponse';
import type { WeatherHour } from '../../method/weather/weather';
import { dryingRate, DRYING_H, RAIN_FROM_MM } from '../../method/weather/wetness';
import type { ConditionsValue } from '../../model/conditionsRow';
import { hoursPlanOf } from './hoursPlan';
import { conditionsOf, onlyRow, siteOf, visitRow } from './theVisit';

/** One side of the house under the visit's conditions. */
export interface SideJudged {
  /** `inside`, `south wall` */
  side: string;
  score: number;
  /** What weighs most first. */
  reasons: Reason[];
}

/** Whether frames taken in these conditions are worth reading, in a few words, and side by side with reasons. */
export interface Verdict {
  grade: 'good' | 'care' | 'poor' | 'unknown';
  words: string;
  inside: SideJudged | null;
  facades: SideJudged[];
}

const HOUR_MS = 3_600_000;
/**
 * Judges the noted conditions of a visit by the rules, strictness and walls of the Hours board, for its moment and place.
 */
export function judgeConditions(document: VisitDocument): Verdict {
  const noted = conditionsOf(document)?.value;
  if (!noted || noted.insideC === null || noted.outsideC === null)
    return { grade: 'unknown', words: 'Inside and outside not noted', inside: null, facades: [] };
  const plan = planOf(document, noted.insideC);
  const place = siteOf(document);
  const { startedAt } = visitRow(document).value;
  const hour = hourOf(noted, noted.outsideC);
  const outwards = noted.insideC - noted.outsideC;
  const wetness = noted.rainHours === null ? 0 : Math.max(0, 1 - (noted.rainHours * dryingRate(hour)) / DRYING_H);
  const sunAt = (at: number) =>
    place.latitude === null || place.longitude === null ? null : sunPosition(at, place.latitude, place.longitude);
  const sun = sunAt(startedAt);
  const light = sun && irradiance(sun.altitudeDeg, dayOfYear(startedAt), hour.cloudPct / 100);
  // While the sun is noted as gone, none falls on anything.
  const shines = light !== null && (noted.sunHours === null ? noted.cloudPct !== null : noted.sunHours < 1);
  const now: Now = {
    hour,
    sunAltitudeDeg: sun?.altitudeDeg ?? -90,
    beam: shines ? light.beam : 0,
    skyC: skyTemperature(noted.outsideC, hour.cloudPct / 100),
    differenceK: Math.abs(outwards),
    season: outwards >= 0 ? 'heated' : 'cooled',
    wetness,
    offInside: 0,
    shareInside: 1,
    faceC: noted.outsideC,
    plan,
  };
  const common = outsideReasons(now);
  // What the sun left is judged for each façade by itself, below.
  const stood = wallHistoryAt(document, startedAt, noted, null).history;
  const facades = plan.facades.map(({ azimuth, wall }): SideJudged => {
    const name = `${compassWord(azimuth)} wall`;
    const beam = sun && shines ? facadeBeam(sun, light, azimuth) : 0;
    const had =
      noted.sunHours === null ? 0 : sunnyShare(azimuth, startedAt - noted.sunHours * HOUR_MS, hour.cloudPct / 100, sunAt);
    const left = excessAfterSun(wall, plan.time_constants_h[wall] / USUAL_TIME_CONSTANTS[wall]);
    const sinceH = noted.sunHours ?? Infinity;
    const excessK = had * (left[Math.min(left.length - 1, Math.floor(sinceH))] ?? 0);
    const wait = left.findIndex((excess, i) => i >= sinceH && had * excess < 1);
    const own = facadeReasons(now, {
      wall: name,
      late: `${name} has not followed the weather yet`,
      excessK,
      beam,
      sinceH,
      waitH: wait < 0 ? left.length : wait - sinceH,
      off: stood ? offBalance(wall, stood, 'outer').off : 0,
    });
    return { side: name, ...rated([...common, ...own, ...notNoted(stood, [wall], noted.sunHours)]) };
  });
  const walls = plan.facades.map(({ wall }) => wall);
  const offs = stood ? walls.map((wall) => offBalance(wall, stood, 'inner')) : [];
  const mean = (of: 'off' | 'share') => offs.reduce((sum, one) => sum + one[of], 0) / offs.length;
  const followed: Now = offs.length > 0 ? { ...now, offInside: mean('off'), shareInside: mean('share') } : now;
  const inside: SideJudged = { side: 'inside', ...rated([...insideReasons(followed), ...notNoted(stood, walls, 0)]) };
  return { ...verdictOf(inside, facades), inside, facades };
}

/** What nobody noted is not good: heat in walls that store it may show the weather and the heating of before. */
const NOT_NOTED: Record<Wall, number> = { light: 0.9, brick: 0.72, stone: 0.72 };

function notNoted(stood: WallHistory | null, walls: readonly Wall[], sunHours: number | null): Reason[] {
  if (walls.length === 0) return [];
  const factor = Math.min(...walls.map((wall) => NOT_NOTED[wall]));
  return [
    ...(stood === null
      ? [
          {
            code: 'following' as const,
            factor,
            words: 'days before not noted: how long heating and air outside have been as they are',
          },
        ]
      : []),
    ...(sunHours === null ? [{ code: 'sun-memory' as const, factor, words: 'sun not noted: when it was last on a wall' }] : []),
  ];
}

/** The visit's plan of hours; where its place is not known, its rules without a place. */
function planOf(document: VisitDocument, insideC: number): HoursPlan {
  const known = hoursPlanOf(document);
  if (known) return { ...known, inside_c: insideC };
  const { strictness, timeConstantsH } = onlyRow(document, 'plan').value;
  const { facades, timeZone } = siteOf(document);
  return {
    ...hoursPlanSchema.parse({ latitude: 0, longitude: 0, timezone: timeZone, inside_c: insideC, facades }),
    inside_c: insideC,
    strictness,
    time_constants_h: timeConstantsH,
  };
}

function hourOf(noted: ConditionsValue, outsideC: number): WeatherHour {
  return {
    temperatureC: outsideC,
    cloudPct: noted.cloudPct ?? USUAL.cloudPct,
    windMs: noted.windMs ?? USUAL.windMs,
    windFromDeg: noted.windFromDeg,
    rainMm: noted.rainHours === 0 ? RAIN_FROM_MM : 0,
    humidityPct: USUAL.outsideHumidityPct,
    snowCm: null,
  };
}

function verdictOf(inside: SideJudged, facades: readonly SideJudged[]): Pick<Verdict, 'grade' | 'words'> {
  const grade = gradeOf(inside.score);
  if (grade !== 'A') return { grade: grade === 'B' ? 'care' : 'poor', words: capital(inside.reasons[0]!.words) };
  const worst = facades.toSorted((a, b) => a.score - b.score)[0];
  if (!worst || gradeOf(worst.score) === 'A') return { grade: 'good', words: 'Good to read' };
  const all = facades.every(({ score }) => gradeOf(score) !== 'A');
  const why = worst.reasons[0]!.words;
  const where = all ? 'outside: ' : why.includes(worst.side) ? '' : `${worst.side}: `;
  return { grade: 'care', words: `Good inside; ${where}${why}` };
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
