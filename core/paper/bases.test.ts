import type { VisitDocument } from '../model/document';
import { roundOf, stopRowOf } from '../work/round/round';
import { FRAME_WIDTH, ID, visitDocument, wallPixels } from '../testing/visit';
import type { ExhibitValue } from '../model/exhibitRow';
import { emptyFinding, type FindingValue, findingValueSchema } from '../model/findingRow';
import { findingsAt, findingsOn } from '../work/visit/findings';
import { secondLook } from '../work/visit/secondLook';
import { sheetsOf } from './block';
import { blocksOf } from './blocks';
import { buildReport, framesOfReport, photosOfReport } from './model';

const ids = (n: number) => `0192f0a0-0000-7000-8000-0000000001${String(n).padStart(2, '0')}`;

function withFinding(change: Partial<FindingValue>, document = visitDocument()): VisitDocument {
  const id = ids(Object.keys(document.rows.finding).length);
  document.rows.finding = { ...document.rows.finding, [id]: { id, version: 1, value: emptyFinding(ID.visit, change) } };
  return document;
}

function withExhibit(document: VisitDocument, change: Partial<ExhibitValue>): VisitDocument {
  const value: ExhibitValue = {
    findingId: ID.finding,
    role: 'also',
    frameId: null,
    thisRegionId: null,
    thatRegionId: null,
    by: 'mean',
    photoId: null,
    note: '',
    addedAt: 1,
    ...change,
  };
  document.rows.exhibit = { ...document.rows.exhibit, x: { id: 'x', version: 1, value } };
  return document;
}

/** The wall again, with its cold box so many kelvin below it. */
const wall = (belowK: number) => wallPixels().map((celsius) => (celsius === 13 ? 18 - belowK : celsius));

const last = (document: VisitDocument, pixels = () => wallPixels()) => buildReport(document, pixels, 'C').findings.at(-1)!;

describe('what a finding rests on', () => {
  test('is checked when it is recorded', () => {
    const told = (change: Partial<FindingValue>) =>
      findingValueSchema.safeParse(emptyFinding(ID.visit, { title: 'x', ...change })).error?.issues[0]?.message ?? null;
    expect(told({ basis: 'shape' })).toBeNull();
    expect(told({ basis: 'pair', frameId: ID.frame, thisRegionId: ID.suspect })).toBe('needs a frame and two regions');
    expect(told({ basis: 'typed' })).toBe('needs a value');
    expect(told({ basis: 'unsolved' })).toBe('needs the check that would settle it');
    expect(told({ basis: 'unsolved', next: 'Smoke pen' })).toBeNull();
    expect(told({ lengthM: 0 })).toBe('must be at least 0.01 m');
  });

  test('a finding that was stored before there were other bases is a pair', () => {
    const { visitId, frameId, thisRegionId, thatRegionId, photoId, title, note } =
      visitDocument().rows.finding[ID.finding]!.value;
    const read = findingValueSchema.parse({ visitId, frameId, thisRegionId, thatRegionId, photoId, title, note });
    expect(read).toMatchObject({ basis: 'pair', by: 'mean', state: 'open', stopKey: null, typed: null, next: '', material: '' });
  });

  test('by shape there is a picture, no number, and it is said that nothing was measured', () => {
    const finding = last(withFinding({ basis: 'shape', frameId: ID.frame, title: 'Feathers at the sill' }));
    expect(finding).toMatchObject({ short: 'by shape', stated: null, problem: null, place: 'Front room · Window wall' });
    expect(finding.figure).toMatchObject({ frameId: ID.frame, width: FRAME_WIDTH, marks: [] });
    expect(finding.confidence).toContain('nothing was measured');
  });

  test('a typed value stands with its instrument and the sound place beside it', () => {
    const typed = { celsius: 11.2, againstC: 17.9, with: 'Contact thermometer' };
    const finding = last(withFinding({ basis: 'typed', typed, title: 'Pipe' }));
    expect(finding.short).toBe('−6.7 K, typed');
    expect(finding.typed).toEqual([
      { label: 'Typed', value: '11.2 °C, Contact thermometer' },
      { label: 'Sound place beside it', value: '17.9 °C, Contact thermometer' },
      { label: 'Difference', value: '−6.7 K' },
    ]);
    const alone = last(withFinding({ basis: 'typed', typed: { ...typed, againstC: null }, title: 'Pipe' }));
    expect([alone.short, alone.typed.length]).toEqual(['11.2 °C, typed', 1]);
  });

  test('nothing seen says what would have been seen, and what the conditions allow', () => {
    const document = visitDocument();
    const sill = roundOf(document).stops.find(({ part }) => part === 'sill')!;
    const finding = last(withFinding({ basis: 'nothing', stopKey: sill.key, title: 'Sill is sound' }, document));
    expect(finding.place).toBe('Front room · Under the sill, window wall');
    expect(finding.expected).toMatch(/^What would have been seen: .*cold.* Conditions: Good to read\.$/i);
    expect(finding.short).toBe('nothing seen');
  });

  test('nothing seen in a frame that was looked through says the weakest fault it would have shown; in another one nothing', () => {
    const wanted =
      /In its frame a sharp-edged place of \d\.\d K or more.*, and a soft patch of \d\.\d K or more would have shown\./;
    const unseen = last(withFinding({ basis: 'nothing', frameId: ID.frame, title: 'Wall is even' }));
    expect(unseen.expected).not.toContain('would have shown');
    const document = visitDocument();
    document.rows.ruling = { one: { id: 'one', version: 1, value: { frameId: ID.frame } as never } };
    expect(last(withFinding({ basis: 'nothing', frameId: ID.frame, title: 'Wall is even' }, document)).expected).toMatch(wanted);
  });

  test('the answer in short keeps apart what was found, what is unsolved and where nothing was seen', () => {
    let document = visitDocument();
    document = withFinding({ basis: 'unsolved', title: 'Warm line', next: 'Run the tap' }, document);
    document = withFinding({ basis: 'nothing', title: 'Ceiling is even' }, document);
    document = withFinding({ basis: 'picture', title: 'Stain', state: 'closed' }, document);
    expect(buildReport(document, () => wallPixels(), 'C').answer).toBe(
      'Found: “Cold sill” (−5.3 K ± 0.4); “Stain” (by picture), closed now. ' +
        'Unsolved: “Warm line” (next: Run the tap). Nothing seen: “Ceiling is even”.',
    );
    // Nothing is said of a difference whose frame is not there.
    expect(buildReport(document, () => undefined, 'C').answer).toContain('1 of the findings cannot be read now.');
    expect(buildReport(document, () => undefined, 'C').answer).not.toContain('Cold sill');
  });

  test('an answer that somebody wrote stands in place of the proposed one', () => {
    const document = visitDocument();
    document.rows.visit[ID.visit]!.value.answer = 'It is the sill.';
    document.rows.intake[ID.intake]!.value.complaints[0]!.answer = 'Air under the window.';
    const report = buildReport(document, () => wallPixels(), 'C');
    expect(report.answer).toBe('It is the sill.');
    expect(report.proposedAnswer).toContain('Cold sill');
    expect(report.complaints[0]).toMatchObject({
      answer: 'Air under the window.',
      proposed: expect.stringContaining('Cold sill'),
    });
  });

  test('a complaint is answered by what was given to it, before all that lies in its room', () => {
    const document = withFinding({ basis: 'shape', title: 'Draught at the door', complaintId: ID.complaint });
    expect(buildReport(document, () => wallPixels(), 'C').complaints[0]!.answer).toBe('Found: “Draught at the door” (by shape).');
    document.rows.finding[ids(1)]!.value.complaintId = ID.event;
    expect(buildReport(document, () => wallPixels(), 'C').complaints[0]!.answer).toBe('Found: “Cold sill” (−5.3 K ± 0.4).');
  });
});

describe('further pictures of a finding', () => {
  const closed = (after: number) => {
    const document = visitDocument();
    const finding = document.rows.finding[ID.finding]!;
    document.rows.finding = {
      [ID.finding]: { ...finding, value: { ...finding.value, state: 'closed', lengthM: 1.2, material: 'strip' } },
    };
    let made = 0;
    const look = secondLook(document, finding, ID.other, 'after', () => ids((made += 1) + 50), 5);
    document.rows.region = {
      ...document.rows.region,
      ...Object.fromEntries(look.regions.map(({ id, value }) => [id, { id, version: 1, value }])),
    };
    withExhibit(document, look.exhibit);
    const pixels = (id: string) => (id === ID.other ? wall(after) : wallPixels());
    return buildReport(document, pixels, 'C').findings[0]!;
  };

  test('a second look has the regions of the first, its colours, and says what changed', () => {
    const finding = closed(1);
    const [after] = finding.exhibits;
    expect(after!.heading).toBe('Looked at again, 19:15');
    expect(after!.stated!.figure.scale).toEqual(finding.stated!.figure.scale);
    expect(after!.change).toMatch(/^Before −5\.3 K, after −1\.1 K: better by 4\.2 K ± 0\.\d K, and something is left\.$/);
    expect(finding.fix).toEqual([
      { label: 'What became of it', value: 'Closed now' },
      { label: 'The fix took', value: '1.2 m of strip' },
    ]);
  });

  test('what did not change, and what is gone, is said as far as it is known', () => {
    expect(closed(5).exhibits[0]!.change).toMatch(/It cannot be said that it changed\.$/);
    expect(closed(0).exhibits[0]!.change).toMatch(/better by 5\.3 K ± .*what is left lies within the noise\.$/);
    expect(closed(8).exhibits[0]!.change).toMatch(/: worse by /);
  });

  test('where the frames differ in size the frame comes without regions', () => {
    const document = visitDocument();
    document.frameFacts[ID.other]!.width = 20;
    const look = secondLook(document, document.rows.finding[ID.finding]!, ID.other, 'also', () => ids(60), 1);
    expect(look.regions).toEqual([]);
    expect(look.exhibit).toMatchObject({ frameId: ID.other, thisRegionId: null, thatRegionId: null, role: 'also' });
  });

  test('frames of exhibits are needed, photos are shown, and neither is taken from under the finding', () => {
    const document = withExhibit(visitDocument(), { frameId: ID.other, photoId: 'p' });
    expect(framesOfReport(document).sort()).toEqual([ID.frame, ID.other].sort());
    expect(findingsOn(document, new Set([ID.other])).map(({ id }) => id)).toEqual([ID.finding]);
    expect(findingsOn(document, new Set(['elsewhere']))).toEqual([]);
    expect(photosOfReport(buildReport(document, () => wallPixels(), 'C'))).toEqual(['p']);
  });

  test('frames side by side stand in the colours of the first, two in a row', () => {
    const document = withExhibit(visitDocument(), { role: 'beside', frameId: ID.other });
    const report = buildReport(document, () => wallPixels(), 'C');
    const rows = blocksOf(report).filter((block) => block.kind === 'pictures' && block.pictures.length === 2);
    expect(rows).toHaveLength(1);
    const scales = rows.flatMap((row) => (row.kind === 'pictures' ? row.pictures.map(({ figure }) => figure!.scale) : []));
    expect(scales[1]).toEqual(scales[0]);
  });
});

describe('the report as blocks', () => {
  test('has the first sheet, one for each finding, photos, and what was looked at', () => {
    const document = withFinding({ basis: 'shape', frameId: ID.frame, title: 'Feathers' });
    const photo = {
      frameId: null,
      name: 'Brick',
      role: 'view' as const,
      stopKey: null,
      discarded: false,
      evidence: false,
      typed: { spots: [], lowC: null, highC: null },
      alignment: null,
      quarters: 0,
      mirrored: false,
    };
    document.rows.photo = { p: { id: 'p', version: 1, value: photo } };
    const titles = sheetsOf(blocksOf(buildReport(document, () => wallPixels(), 'C'))).map(([head]) =>
      head?.kind === 'sheet' ? head.title : null,
    );
    expect(titles).toEqual(['Old Kiln Row', 'Cold sill', 'Feathers', 'Photos', 'What was looked at']);
  });

  test('notes, spoken notes and probe values of the round are told', () => {
    const document = visitDocument();
    const [stop] = roundOf(document).stops;
    const row = stopRowOf(document, stop!.key);
    const probes = [{ celsius: 12.3, with: 'Contact thermometer' }];
    document.rows.stop = {
      [row.id]: { ...row, value: { ...row.value, note: 'Only in wind', probes, answeredAt: Date.UTC(2026, 1, 11, 19, 30) } },
    };
    const spoken = { visitId: ID.visit, stopKey: stop!.key, takenAt: Date.UTC(2026, 1, 11, 19, 31), seconds: 12.4 };
    document.rows.recording = { r: { id: 'r', version: 1, value: spoken } };
    expect(buildReport(document, () => wallPixels(), 'C').notes).toEqual([
      {
        label: 'Front room, complaint: cold near the window',
        value: '“Only in wind” (19:30); 12.3 °C by contact thermometer; spoken note of 12 s (19:31)',
      },
    ]);
  });

  test('findings at a stop are those recorded there and those on its frames', () => {
    const document = withFinding({ basis: 'shape', stopKey: 'here', title: 'x' });
    document.rows.frame = {
      ...document.rows.frame,
      [ID.frame]: { ...document.rows.frame[ID.frame]!, value: { ...document.rows.frame[ID.frame]!.value, stopKey: 'here' } },
    };
    expect(findingsAt(document, 'here').map(({ id }) => id)).toEqual([ID.finding, ids(1)]);
    expect(findingsAt(document, 'there')).toEqual([]);
  });
});
