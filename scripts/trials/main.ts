import { writeFileSync } from 'node:fs';
import { evidenceOf } from '../../core/method/causes/evidence';
import { rankCauses } from '../../core/method/causes/rank';
import type { Candidate } from '../../core/method/detect/candidate';
import { drawTrials, type Looked } from './draw';
import { fitCounted, type Known } from './fit';
import { interval } from './interval';

/** Frames to count on and frames to measure on are drawn from seeds far apart. */
const COUNT_SEED = 1000;
const MEASURE_SEED = 500_000_000;
const COUNT_FRAMES = 60;
const MEASURE_FRAMES = 16;
/** A thing is found when it and a candidate share so much of what they cover together. */
const FOUND = 0.3;

interface Match {
  found: Candidate | null;
  overlap: number;
  /** Candidates that are neither the thing nor part of it, nor a window or heater. */
  extra: number;
}

function match({ look, truth, clutter, width }: Looked): Match {
  const size = truth.reduce((sum, one) => sum + one, 0);
  let best: { candidate: Candidate | null; overlap: number } = { candidate: null, overlap: 0 };
  const shares = look.candidates.map((candidate) => {
    let [on, off] = [0, 0];
    for (const { y, from, to } of candidate.rows) {
      for (let x = from; x <= to; x += 1) {
        on += truth[y * width + x]!;
        off += clutter[y * width + x]!;
      }
    }
    const overlap = on / Math.max(1, candidate.area + size - on);
    if (overlap > best.overlap) best = { candidate, overlap };
    return { candidate, on: on / candidate.area, off: off / candidate.area };
  });
  const found = best.overlap >= FOUND ? best.candidate : null;
  const extra = shares.filter(({ candidate, on, off }) => candidate !== found && on < 0.3 && off < 0.3).length;
  return { found, overlap: best.overlap, extra };
}

/** `npm run calibrate`: counts what each cause shows, and writes it beside the causes. */
function calibrate(): void {
  const rows: Known[] = [];
  let frames = 0;
  for (const looked of drawTrials(COUNT_SEED, COUNT_FRAMES)) {
    frames += 1;
    const { found } = match(looked);
    if (found && looked.cause) rows.push({ cause: looked.cause, evidence: evidenceOf(found, looked.setting) });
  }
  writeFileSync('core/method/causes/counted.json', JSON.stringify(fitCounted(rows, COUNT_SEED, frames), null, 1));
  console.log(`${rows.length} candidates of ${frames} frames counted`);
}

/** `./den bench --detect [FRAMES]`: how well it finds and argues on frames held apart, as JSON. */
function measure(perCause: number): void {
  let [frames, things, found, extra, first, second, overlap, gap] = [0, 0, 0, 0, 0, 0, 0, 0];
  const bins = Array.from({ length: 10 }, () => ({ count: 0, said: 0, right: 0 }));
  const confusion: Record<string, Record<string, number>> = {};
  const times: Record<string, number[]> = {};
  for (const looked of drawTrials(MEASURE_SEED, perCause)) {
    frames += 1;
    (times[`${looked.width}×${looked.height}`] ??= []).push(looked.ms);
    const matched = match(looked);
    extra += matched.extra;
    if (!looked.cause) continue;
    things += 1;
    if (!matched.found) continue;
    found += 1;
    overlap += matched.overlap;
    const ranked = rankCauses({ evidence: evidenceOf(matched.found, looked.setting), circumstances: [], outcomes: [] });
    const [one, two] = [ranked[0]!, ranked[1]!];
    const right = one.cause.code === looked.cause;
    first += right ? 1 : 0;
    second += right || two.cause.code === looked.cause ? 1 : 0;
    const row = (confusion[looked.cause] ??= {});
    row[one.cause.code] = (row[one.cause.code] ?? 0) + 1;
    const bin = bins[Math.min(9, Math.floor(10 * one.score))]!;
    bin.count += 1;
    bin.said += one.score;
    bin.right += right ? 1 : 0;
  }
  for (const { said, right } of bins) gap += Math.abs(said - right);
  console.log(
    JSON.stringify(
      {
        seed: MEASURE_SEED,
        frames,
        things,
        recall: interval(found, things),
        falseAlarmsPerFrame: extra / frames,
        overlap: overlap / found,
        firstCauseRight: interval(first, found),
        firstTwoRight: interval(second, found),
        calibrationError: gap / found,
        calibration: bins
          .filter(({ count }) => count > 0)
          .map(({ count, said, right }) => ({ count, said: said / count, right: right / count })),
        confusion,
        medianMs: Object.fromEntries(
          Object.entries(times).map(([size, all]) => [size, all.sort((a, b) => a - b)[all.length >> 1]]),
        ),
      },
      null,
      1,
    ),
  );
}

if (process.argv[2] === 'calibrate') calibrate();
else measure(Number(process.argv[2] ?? MEASURE_FRAMES));
