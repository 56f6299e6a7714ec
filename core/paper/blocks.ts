import type { Block, Picture } from './block';
import { inOneLine } from './fact';
import type { Figure } from './figure';
import type { Report } from './model';
import type { ReportExhibit, ReportFinding } from './reportFinding';

/** The whole report, from its question to its limits. */
export function blocksOf(report: Report): Block[] {
  return [
    ...firstSheet(report),
    ...report.findings.flatMap((finding) => findingSheet(finding, report)),
    ...report.evidence.flatMap(({ photoId, name, facts }, i): Block[] => [
      ...(i === 0 ? [{ kind: 'sheet', above: '', title: 'Pictures without data' } as const] : []),
      { kind: 'heading', text: name },
      { kind: 'text', text: 'A picture without data: nothing was measured on it.', quiet: true },
      { kind: 'pictures', pictures: [{ figure: null, photoId, caption: '' }] },
      { kind: 'facts', facts },
    ]),
    ...report.proof,
    ...report.water,
    ...report.heating,
    ...photoSheet(report),
    { kind: 'sheet', above: '', title: 'What was looked at' },
    { kind: 'facts', facts: report.coverage },
    ...(report.notes.length > 0
      ? ([
          { kind: 'heading', text: 'Noted on the round' },
          { kind: 'facts', facts: report.notes },
        ] as const)
      : []),
    { kind: 'heading', text: 'Limits of the method' },
    ...report.limits.map((text): Block => ({ kind: 'text', text })),
  ];
}

function firstSheet(report: Report): Block[] {
  const complaints = report.complaints.map(({ id, place, what, answer, proposed }): Block => ({
    kind: 'editable',
    label: `${place}: ${what}`,
    text: answer,
    proposed,
    edits: { of: 'complaint', id },
  }));
  return [
    {
      kind: 'sheet',
      above: [report.address, report.visit, report.day].filter(Boolean).join(' · '),
      title: report.site,
    },
    { kind: 'heading', text: 'The question' },
    { kind: 'text', text: report.wanted },
    {
      kind: 'editable',
      label: 'The question that this report answers',
      text: report.question,
      proposed: '',
      edits: { of: 'question' },
    },
    { kind: 'heading', text: 'In short' },
    { kind: 'editable', label: 'The answer', text: report.answer, proposed: report.proposedAnswer, edits: { of: 'answer' } },
    ...(complaints.length > 0 ? [{ kind: 'heading', text: 'What was asked, and what was found' } as const, ...complaints] : []),
    ...(report.findings.length > 0
      ? ([
          { kind: 'heading', text: 'Findings' },
          {
            kind: 'list',
            entries: report.findings.map(({ id, number, title, place, short, repeat }) => ({
              id,
              number,
              title,
              place,
              short: repeat ? `${short} · to repeat` : short,
            })),
          },
        ] as const)
      : []),
    ...(report.history.length > 0
      ? ([
          { kind: 'heading', text: 'What was done to the house' },
          { kind: 'facts', facts: report.history },
        ] as const)
      : []),
    { kind: 'heading', text: `Conditions: ${report.verdict}` },
    { kind: 'facts', facts: [...report.conditions, { label: 'Camera', value: report.camera }] },
  ];
}

/** One finding on a sheet of its own: what it is, its pictures, its numbers, how sure, what next. */
function findingSheet(finding: ReportFinding, report: Pick<Report, 'conditions'>): Block[] {
  const { stated, problem, figure, typed, note, next, fix, exhibits, settings, expected, causes } = finding;
  const shown = stated?.figure ?? figure;
  const above = [`Finding ${finding.number}`, finding.place, finding.takenAt].filter(Boolean).join(' · ');
  return [
    { kind: 'sheet', above, title: finding.title },
    ...(finding.basis === 'side-by-side' ? [] : picturesOf(shown, finding.photoId)),
    ...(stated
      ? ([
          { kind: 'difference', stated },
          { kind: 'regions', stated },
        ] as const)
      : []),
    ...(stated && stated.moisture.length > 0
      ? ([
          { kind: 'heading', text: `Moisture at ${stated.this.name}` },
          { kind: 'facts', facts: stated.moisture },
        ] as const)
      : []),
    ...(problem ? [{ kind: 'text', text: problem } as const] : []),
    ...(typed.length > 0 ? [{ kind: 'facts', facts: typed } as const] : []),
    ...sideBySide(shown, exhibits),
    ...exhibits.filter(({ role }) => role !== 'beside').flatMap((exhibit) => exhibitBlocks(exhibit, finding)),
    ...(causes.length > 0
      ? ([
          { kind: 'heading', text: 'What it probably is' },
          { kind: 'facts', facts: causes },
        ] as const)
      : []),
    { kind: 'heading', text: 'How sure' },
    { kind: 'text', text: finding.confidence },
    ...(finding.repeat ? [{ kind: 'callout', text: finding.repeat } as const] : []),
    ...(expected ? [{ kind: 'text', text: expected } as const] : []),
    ...(next ? [{ kind: 'callout', text: `Next check: ${next}` } as const] : []),
    ...(fix.length > 0 ? [{ kind: 'facts', facts: fix } as const] : []),
    ...(note
      ? ([
          { kind: 'heading', text: 'Note' },
          { kind: 'text', text: note },
        ] as const)
      : []),
    ...(settings.length > 0
      ? ([
          { kind: 'heading', text: 'Settings and conditions' },
          { kind: 'text', text: inOneLine(settings), quiet: true },
          { kind: 'text', text: inOneLine(report.conditions), quiet: true },
        ] as const)
      : []),
  ];
}

/** A frame beside its photo. */
function picturesOf(figure: Figure | null, photoId: string | null): Block[] {
  if (!figure && photoId === null) return [];
  const pictures: Picture[] = [
    ...(figure ? [{ figure, photoId: null, caption: '' }] : []),
    ...(photoId === null ? [] : [{ figure: null, photoId, caption: figure ? 'Photo of the same place' : '' }]),
  ];
  return [{ kind: 'pictures', pictures }];
}

/** Frames side by side, two in a row, all in the colours of the first. */
function sideBySide(first: Figure | null, exhibits: readonly ReportExhibit[]): Block[] {
  const beside = exhibits.filter(({ role }) => role === 'beside');
  if (beside.length === 0) return [];
  const pictures: Picture[] = [
    { figure: first, photoId: null, caption: 'First' },
    ...beside.map(({ figure, stated, photoId, heading, note }) => ({
      figure: stated?.figure ?? figure,
      photoId,
      caption: [heading, note].filter(Boolean).join(' · '),
    })),
  ];
  return inRows(pictures);
}

function inRows(pictures: readonly Picture[]): Block[] {
  return Array.from({ length: Math.ceil(pictures.length / 2) }, (_, i) => ({
    kind: 'pictures',
    pictures: pictures.slice(2 * i, 2 * i + 2),
  }));
}

/** A further picture; a look after the fix stands beside the first one. */
export function exhibitBlocks(exhibit: ReportExhibit, finding: ReportFinding): Block[] {
  const { role, heading, stated, figure, photoId, note, change } = exhibit;
  const first = finding.stated?.figure ?? finding.figure;
  const shown = stated?.figure ?? figure;
  const both: Picture[] = [
    { figure: first, photoId: null, caption: `Before, ${finding.takenAt}` },
    { figure: shown, photoId: null, caption: 'After' },
  ];
  return [
    { kind: 'heading', text: heading },
    ...(role === 'after' && first && shown ? [{ kind: 'pictures', pictures: both } as const] : picturesOf(shown, photoId)),
    ...(change ? [{ kind: 'callout', text: change } as const] : []),
    ...(stated && !change ? [{ kind: 'difference', stated } as const] : []),
    ...(note ? [{ kind: 'text', text: note } as const] : []),
  ];
}

function photoSheet({ photos }: Report): Block[] {
  if (photos.length === 0) return [];
  return [
    { kind: 'sheet', above: '', title: 'Photos' },
    ...inRows(photos.map(({ photoId, words }) => ({ figure: null, photoId, caption: words }))),
  ];
}
