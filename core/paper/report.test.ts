import { NO_SETTINGS } from '../method/radiometry/settings';
import { roundOf, stopRowOf } from '../work/round/round';
import { ID, visitDocument, wallPixels } from '../testing/visit';
import { huntOf } from '../work/water/huntOf';
import { pairFor, toProve } from '../work/proof/toProve';
import { blocksOf } from './blocks';
import { buildReport, framesOfReport } from './model';
import { placeLabels, type Box } from './placeLabels';

const pixels = wallPixels();

describe('the report', () => {
  const report = buildReport(visitDocument(), () => pixels, 'C');
  const [finding] = report.findings;

  test('states the question, the answer and the conditions', () => {
    expect(report.question).toBe('Why is it cold?');
    expect(report.answer).toBe('Found: “Cold sill” (−5.3 K ± 0.4).');
    expect(report.day).toBe('11 Feb 2026');
    expect(report.verdict).toBe('Good to read');
    expect(report.conditions).toContainEqual({ label: 'Difference', value: '18.0 K' });
    expect(report.camera).toBe('Row camera');
  });

  test('states the difference with its ±, both regions and what they mean', () => {
    expect(finding!.stated!.difference).toMatchObject({ value: '−5.3 K', sign: 'colder' });
    expect(finding!.stated!.difference.plusMinus).toMatch(/^± 0\.\d$/);
    expect(finding!.stated!.this).toMatchObject({ name: 'sill', pixels: 64 });
    expect(finding!.stated!.that.name).toBe('sound wall');
    expect(finding!.place).toBe('Front room · Window wall');
    expect(finding!.takenAt).toBe('19:20');
  });

  test('shows the picture in steady colours with its span in words', () => {
    const { figure } = finding!.stated!;
    expect(figure.scale.high - figure.scale.low).toBeCloseTo(11, 6);
    expect(figure.scaleEnds.low).toContain('(−6.0 K)');
    expect(figure.scaleWords).toContain('11.0 K around the reference, sound wall');
    expect(figure.marks.map((mark) => mark.reference)).toEqual([false, true]);
  });

  test('says where each setting comes from', () => {
    expect(finding!.settings).toContainEqual({ label: 'Emissivity', value: '0.95 (set for the visit)' });
    expect(finding!.settings).toContainEqual({ label: 'Air', value: '20.0 °C (from the conditions)' });
  });

  test('begins with what was wanted and answers every complaint', () => {
    expect(report.wanted).toBe('The survey was wanted to find where the house loses heat.');
    const found = 'Found: “Cold sill” (−5.3 K ± 0.4).';
    expect(report.complaints).toEqual([
      { id: ID.complaint, place: 'Front room', what: 'Cold near the window', proposed: found, answer: found },
    ]);
    expect(report.history).toEqual([{ label: '2019', value: 'Chimney taken out' }]);
    const document = visitDocument();
    document.rows.finding = {};
    document.rows.intake[ID.intake]!.value.complaints.push({ id: ID.event, place: 'Loft', what: 'Smells', answer: '' });
    expect(buildReport(document, () => pixels, 'C').complaints.map(({ answer }) => answer)).toEqual([
      'Looked at, nothing recorded there.',
      'Not looked at.',
    ]);
  });

  test('finds the room in longer words, and says what was said at the complaint’s own stop', () => {
    const document = visitDocument();
    const { complaints } = document.rows.intake[ID.intake]!.value;
    complaints[0]!.place = 'Front room, by the window';
    expect(buildReport(document, () => pixels, 'C').complaints[0]!.answer).toBe('Found: “Cold sill” (−5.3 K ± 0.4).');
    document.rows.finding = {};
    const [complaint] = roundOf(document).stops;
    const { id, value } = stopRowOf(document, complaint!.key);
    document.rows.stop = { [id]: { id, version: 1, value: { ...value, answer: 'unsolved', note: 'Only when it is windy.' } } };
    expect(buildReport(document, () => pixels, 'C').complaints[0]!.answer).toBe('Unsolved: Only when it is windy.');
  });

  test('says what was looked at', () => {
    expect(report.coverage).toEqual([
      { label: 'Front room', value: 'Chimney, Window wall; 0 of 4 stops answered' },
      { label: 'The house', value: 'no frame; 0 of 1 stops answered' },
    ]);
  });

  test('says what was not looked at, and why', () => {
    const walked = visitDocument();
    const [complaint, sill, window] = roundOf(walked).stops;
    for (const [stop, answer, reason] of [
      [complaint!, 'nothing', ''],
      [sill!, 'unreached', 'Covered by furniture'],
      [window!, 'unsolved', ''],
    ] as const) {
      const row = stopRowOf(walked, stop.key);
      walked.rows.stop[row.id] = { ...row, version: 1, value: { ...row.value, answer, reason } };
    }
    expect(buildReport(structuredClone(walked), () => pixels, 'C').coverage[0]!.value).toBe(
      'Chimney, Window wall; 3 of 4 stops answered; nothing to see: complaint: cold near the window; ' +
        'unsolved: window, frame and corners, window wall; could not be reached: under the sill, window wall (covered by furniture); ' +
        'not looked at: window wall',
    );
  });

  test('says once what may hurt at the open fixes, and nothing of fixes that are done', () => {
    const sealed = visitDocument();
    const [finding] = Object.values(sealed.rows.finding);
    finding!.value.material = 'seal strip';
    const limits = () =>
      buildReport(structuredClone(sealed), () => pixels, 'C').limits.filter((words) => words.startsWith('Before the fixes'));
    expect(limits()).toHaveLength(1);
    expect(limits()[0]).toContain('combustion air stay open');
    for (const { value } of Object.values(sealed.rows.finding)) value.state = 'closed';
    expect(limits()).toEqual([]);
  });

  test('says what nothing to see means where a frame was taken: the weakest fault that it would have shown', () => {
    const walked = visitDocument();
    const [complaint] = roundOf(walked).stops;
    const row = stopRowOf(walked, complaint!.key);
    walked.rows.stop[row.id] = { ...row, version: 1, value: { ...row.value, answer: 'nothing' } };
    walked.rows.frame[ID.other]!.value.stopKey = complaint!.key;
    const told = (unit: 'C' | 'F') => buildReport(structuredClone(walked), () => pixels, unit).coverage[0]!.value;
    // Nobody looked the frame through: nothing is said to have shown.
    expect(told('C')).not.toContain('would have shown');
    walked.rows.ruling = { one: { id: 'one', version: 1, value: { frameId: ID.other } as never } };
    expect(told('C')).toContain(
      'nothing to see: complaint: cold near the window (a sharp-edged place of 0.5 K or more (a change of the temperature factor by 0.03), and a soft patch of 1.1 K or more would have shown)',
    );
    expect(told('F')).toContain('a sharp-edged place of 0.9 °F or more');
  });

  test('frames outdoors are told under their side of the house', () => {
    const outdoors = visitDocument();
    const frame = outdoors.rows.frame[ID.other]!.value;
    const wall = outdoors.rows.surface[ID.surface]!;
    outdoors.rows.surface.f = {
      ...wall,
      id: 'f',
      value: { ...wall.value, roomId: null, kind: 'facade', name: 'Outside, north' },
    };
    Object.assign(frame, { roomId: null, surfaceId: 'f', side: 'outside' });
    const coverage = buildReport(outdoors, () => pixels, 'C').coverage;
    expect(coverage.find(({ label }) => label === 'Outside, north')!.value).toBe('Chimney; 0 of 2 stops answered');
  });

  test('in °F a difference has no offset', () => {
    const inF = buildReport(visitDocument(), () => pixels, 'F');
    expect(inF.findings[0]!.stated!.difference.value).toBe('−9.5 °F');
    expect(inF.conditions).toContainEqual({ label: 'Air inside', value: '68.0 °F' });
  });

  test('needs the pixels of its findings and of their references', () => {
    expect(framesOfReport(visitDocument())).toEqual([ID.frame]);
    const waiting = buildReport(visitDocument(), () => undefined, 'C').findings[0]!;
    expect(waiting.stated).toBeNull();
    expect(waiting.problem).toContain('not loaded');
  });

  test('a finding that its settings make impossible is kept and says why', () => {
    const document = visitDocument();
    document.rows.settings.own = {
      id: 'own',
      version: 1,
      value: { ...NO_SETTINGS, level: 'region', ownerId: ID.suspect, emissivity: 0.05, reflectedC: 60 },
    };
    const broken = buildReport(document, () => pixels, 'C').findings[0]!;
    expect(broken.stated).toBeNull();
    expect(broken.problem).toContain('reflect');
    expect(broken.title).toBe('Cold sill');
  });

  test('a difference within the noise is said to be nothing', () => {
    const document = visitDocument();
    document.rows.region[ID.suspect]!.value.shape = { kind: 'box', x: 5, y: 2, width: 8, height: 6 };
    const level = buildReport(document, () => pixels, 'C');
    expect(level.findings[0]!.stated!.difference.sign).toBe('level');
    expect(level.answer).toBe('Within the noise, so that nothing is claimed: “Cold sill”.');
  });

  test('a difference across two frames says where the other region lies, and shows only its own frame', () => {
    const document = visitDocument();
    const sound = document.rows.region[ID.sound]!;
    document.rows.region.far = { ...sound, id: 'far', value: { ...sound.value, frameId: ID.other, name: 'far wall' } };
    document.rows.finding[ID.finding]!.value.thatRegionId = 'far';
    expect(framesOfReport(document)).toEqual(expect.arrayContaining([ID.frame, ID.other]));
    const { stated } = buildReport(document, () => wallPixels(), 'C').findings[0]!;
    expect(stated!.across).toMatch(/“far wall” lies on another frame, Front room · Chimney/);
    expect(stated!.figure.marks.map(({ id }) => id)).toEqual([ID.suspect]);
  });

  test('fixed colours, shades and what was left out are told with the picture', () => {
    const document = visitDocument();
    const { span } = document.rows.visit[ID.visit]!.value;
    span.fixed = { lowC: 10, highC: 20 };
    span.shade = { side: 'colder', from: 'zero', offsetK: 12 };
    const words = buildReport(document, () => wallPixels(), 'C').findings[0]!.stated!.figure.scaleWords;
    expect(words).toContain('10.0 K between fixed temperatures');
    expect(words).toContain('Shaded: colder than 12.0 °C.');
    expect(words).not.toContain('Hatched');
  });

  test('pictures without data stand with what was typed, and only as typed', () => {
    const document = visitDocument();
    const value = {
      frameId: null,
      name: 'Screen',
      role: 'view' as const,
      stopKey: null,
      discarded: false,
      evidence: true,
      typed: { spots: [{ x: 0.5, y: 0.5, celsius: 11.5, words: 'sill' }], lowC: 8, highC: null },
      alignment: null,
      quarters: 0,
      mirrored: false,
    };
    document.rows.photo = {
      e: { id: 'e', version: 1, value },
      p: { id: 'p', version: 1, value: { ...value, evidence: false } },
    };
    const { evidence } = buildReport(document, () => wallPixels(), 'C');
    expect(evidence).toEqual([
      {
        photoId: 'e',
        name: 'Screen',
        facts: [
          { label: 'sill', value: '11.5 °C, typed' },
          { label: 'Cold end of its scale', value: '8.0 °C, typed' },
        ],
      },
    ]);
  });

  test('settings that an experiment found say so; what was left out goes with the picture', () => {
    const document = visitDocument();
    const settings = document.rows.settings[ID.settings]!;
    settings.value = { ...settings.value, emissivity: 0.31, emissivityU: 0.03, emissivityFrom: 'tape, 19:12' };
    const base = document.rows.region[ID.sound]!;
    const shape = { kind: 'box' as const, x: 0, y: 0, width: 4, height: 4 };
    document.rows.region.out = { ...base, id: 'out', value: { ...base.value, name: 'radiator', role: 'leftOut', shape } };
    const finding = buildReport(document, () => wallPixels(), 'C').findings[0]!;
    expect(finding.settings[0]!.value).toBe('0.31, tape, 19:12 (set for the visit)');
    expect(finding.stated!.figure.leftOut).toEqual([shape]);
  });

  test('without findings it says so', () => {
    const document = visitDocument();
    document.rows.finding = {};
    expect(buildReport(document, () => pixels, 'C')).toMatchObject({ answer: 'No finding was recorded.', findings: [] });
  });
});

describe('placing labels', () => {
  const picture: Box = { x: 0, y: 0, width: 300, height: 200 };
  const label = { width: 60, height: 14 };
  const overlaps = (a: Box, b: Box) => a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

  test('stays inside the picture, in every corner', () => {
    for (const [x, y] of [
      [0, 0],
      [280, 0],
      [0, 180],
      [280, 180],
    ]) {
      const [place] = placeLabels([{ target: { x: x!, y: y!, width: 20, height: 20 }, ...label }], picture, 3);
      expect(place!.x).toBeGreaterThanOrEqual(0);
      expect(place!.y).toBeGreaterThanOrEqual(0);
      expect(place!.x + label.width).toBeLessThanOrEqual(300);
      expect(place!.y + label.height).toBeLessThanOrEqual(200);
    }
  });

  test('keeps labels of neighbours apart, and off their own target', () => {
    const targets = [0, 1, 2].map((i) => ({ x: 100 + 24 * i, y: 90, width: 20, height: 20 }));
    const boxes = placeLabels(
      targets.map((target) => ({ target, ...label })),
      picture,
      3,
    ).map((place) => ({ ...place, ...label }));
    for (const [i, a] of boxes.entries()) {
      for (const b of boxes.slice(i + 1)) expect(overlaps(a, b)).toBe(false);
      expect(overlaps(a, targets[i]!)).toBe(false);
    }
  });

  test('nothing to place, nothing placed', () => expect(placeLabels([], picture, 3)).toEqual([]));
});

describe('what takes seconds to find out', () => {
  test('is on sheets of its own when it is known, and the report is whole without it', () => {
    const document = visitDocument();
    const titles = (computed?: Parameters<typeof buildReport>[3]) =>
      blocksOf(buildReport(document, () => pixels, 'C', computed)).flatMap((block) =>
        block.kind === 'sheet' ? [block.title] : [],
      );
    const before = titles();
    const row = huntOf(document);
    document.rows.hunt = { [row.id]: { ...row, version: 1 } };
    const after = titles();
    expect(after.filter((title) => !before.includes(title))).toEqual(['Likeliest: hot water pipe, 20 %']);
    expect(titles({ proven: [], leak: null })).toEqual(after);
  });

  test('frames of pairs are needed once their earlier visit is here', () => {
    const earlier = visitDocument();
    const document = visitDocument();
    document.visitId = '0192f0a0-0000-7000-8000-0000000000f1';
    const item = toProve(document, earlier)[0]!;
    const value = pairFor(document, earlier, item, ID.other, () => '0192f0a0-0000-7000-8000-0000000000f3');
    document.rows.finding = {};
    document.rows.pair = { p: { id: 'p', version: 1, value } };
    expect(framesOfReport(document)).toEqual([]);
    expect(framesOfReport(document, [earlier])).toEqual([ID.frame, ID.other]);
  });
});
