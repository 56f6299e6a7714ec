import type { VisitDocument } from '../model/document';
import type { Outcome } from '../work/round/coverage';
import { roundOf, stopRowOf } from '../work/round/round';
import { roomIn, stopKeyOf } from '../work/round/stops';
import { framesOf } from '../work/visit/frames';
import { onlyRow, roomsOf, visitRow } from '../work/visit/theVisit';
import { roomOfFinding } from './places';
import type { ReportFinding } from './reportFinding';

/** A complaint and what the survey says to it. */
export interface ComplaintAnswer {
  id: string;
  place: string;
  what: string;
  /** Made from what was found and looked at. */
  proposed: string;
  /** As somebody wrote it, else as it is proposed. */
  answer: string;
}

const sentence = (words: string) => (/[.!?]$/.test(words) ? words : `${words}.`);

/**
 * What a finding says in a sentence, with how sure it is.
 * @returns `“Cold sill”, −5.3 K ± 0.4, closed now`
 */
function saying({ title, short, basis, state, next }: ReportFinding): string {
  if (basis === 'nothing') return `“${title}”`;
  if (basis === 'unsolved') return `“${title}” (next: ${next})`;
  const settled = { open: next ? `, next: ${next}` : '', closed: ', closed now', accepted: ', accepted as it is' }[state];
  return `“${title}” (${short})${settled}`;
}

const isFault = ({ basis, tried }: ReportFinding) => basis !== 'nothing' && basis !== 'unsolved' && !tried;

/** Findings as the sentences of an answer: what was found, what is unsolved, where nothing was seen. */
function sayings(findings: readonly ReportFinding[]): string[] {
  const list = (label: string, some: readonly ReportFinding[]) =>
    some.length === 0 ? [] : [sentence(`${label}: ${some.map(saying).join('; ')}`)];
  return [
    ...list('Found', findings.filter(isFault)),
    ...list(
      'Tried',
      findings.filter(({ tried }) => tried),
    ),
    ...list(
      'Unsolved',
      findings.filter(({ basis }) => basis === 'unsolved'),
    ),
    ...list(
      'Nothing seen',
      findings.filter(({ basis }) => basis === 'nothing'),
    ),
  ];
}

/**
 * Each complaint with its answer: by the findings that were given to it or recorded at its stop; else by those of the room
 * that it names; with what was said at its stop; else by whether the place was looked at.
 */
export function complaintAnswers(document: VisitDocument, findings: readonly ReportFinding[]): ComplaintAnswer[] {
  const { complaints } = onlyRow(document, 'intake').value;
  const value = (id: string) => document.rows.finding[id]!.value;
  return complaints.map(({ id, place, what, answer }) => {
    const key = stopKeyOf(id, 'complaint');
    const room = roomIn(roomsOf(document), place);
    const given = findings.filter((one) => value(one.id).complaintId === id || value(one.id).stopKey === key);
    const there = findings.filter(
      (one) => room && value(one.id).complaintId === null && roomOfFinding(document, value(one.id)) === room.id,
    );
    const found = sayings(given.length > 0 ? given : there);
    const said = stopSaying(document, key);
    const looked = framesOf(document).some((frame) => room && frame.value.roomId === room.id);
    const words = found.length > 0 ? [...found, ...(said?.noted ? [said.noted] : [])] : said ? [said.words] : [];
    const proposed = (words.length > 0 ? words : [looked ? 'Looked at, nothing recorded there.' : 'Not looked at.']).join(' ');
    return { id, place, what, proposed, answer: answer || proposed };
  });
}

/** What was said at a complaint's own stop; null when nobody answered it. */
function stopSaying(document: VisitDocument, key: string): { words: string; noted: string | null } | null {
  const outcome = roundOf(document).outcomes.get(key) ?? null;
  if (outcome === null) return null;
  const { reason, note } = stopRowOf(document, key).value;
  const more = [reason, note].filter(Boolean);
  return {
    words: sentence([OUTCOME_WORDS[outcome], ...more].join(': ')),
    noted: more.length > 0 ? sentence(`Noted there: ${more.join(': ')}`) : null,
  };
}

const OUTCOME_WORDS: Record<NonNullable<Outcome>, string> = {
  seen: 'Looked at; something is to be seen, and no finding says what it is yet',
  nothing: 'Looked at, nothing to be seen',
  unreached: 'Could not be reached',
  unsolved: 'Unsolved',
};

/**
 * The report's answer in short, made from its findings: what was found and how sure, what is unsolved, and which complaints
 * are left. Nothing is said of differences whose frames are not there or cannot be read.
 */
export function proposedAnswer(findings: readonly ReportFinding[], complaints: readonly ComplaintAnswer[]): string {
  const unread = findings.filter(({ problem }) => problem !== null).length;
  const level = findings.filter(({ stated }) => stated?.difference.sign === 'level');
  const readable = findings.filter(({ problem, stated }) => problem === null && stated?.difference.sign !== 'level');
  const left = complaints.filter(({ proposed }) => proposed === 'Not looked at.').map(({ place }) => place);
  const words = [
    ...sayings(readable),
    ...(level.length > 0
      ? [`Within the noise, so that nothing is claimed: ${level.map(({ title }) => `“${title}”`).join(', ')}.`]
      : []),
    ...(unread > 0 ? [`${unread} of the findings cannot be read now.`] : []),
    ...(findings.length === 0 ? ['No finding was recorded.'] : []),
    ...(left.length > 0 ? [`Not looked at, though asked about: ${left.join(', ')}.`] : []),
  ];
  return words.join(' ');
}

/** The answer in short: as somebody wrote it, else as it is proposed. */
export function answerInShort(document: VisitDocument, proposed: string): string {
  return visitRow(document).value.answer || proposed;
}
