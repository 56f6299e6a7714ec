import { NO_SETTINGS } from '../../core/method/radiometry/settings';
import type { Stale } from '@core/model/command';
import { packedDocumentSchema } from '../../core/model/packedDocument';
import type { VisitDocument } from '@core/model/document';
import type { Den } from '../../e2e/support/den';

import { stepOf } from '../../e2e/support/commands';

export { put, regionPut } from '../../e2e/support/commands';

/** A change of one row with the id of its step. */
export type Change = { id: string } & Record<string, unknown>;

/** What the application answered. */
export interface Answer {
  status: number;
  body: {
    error?: { code: string; message: string };
    id?: string;
    pages?: number;
    versions?: Record<string, number>;
    kind?: string;
    visitId?: string;
    stale?: Stale[];
  };
}

/** Requests as a page of ours would send them. */
export async function send(den: Den, path: string, init: RequestInit = {}): Promise<Answer> {
  const response = await fetch(`${den.address}${path}`, { signal: AbortSignal.timeout(120_000), ...init });
  const text = await response.text();
  let body: Answer['body'] = {};
  try {
    body = JSON.parse(text) as Answer['body'];
  } catch {
    // No JSON: a page, or lines.
  }
  return { status: response.status, body };
}

export const post = (den: Den, path: string, value: unknown): Promise<Answer> =>
  send(den, path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(value) });

/** Sends a step of one change. */
export const sendChange = (den: Den, change: Change): Promise<Answer> => post(den, '/api/commands', stepOf(change));

export const upload = (den: Den, visit: string, name: string, bytes: Uint8Array | string, query = ''): Promise<Answer> =>
  send(den, `/api/visits/${visit}/files?name=${encodeURIComponent(name)}${query}`, { method: 'POST', body: bytes as BodyInit });

/** Sends a ZIP and gives back its lines. */
export async function uploadZip(
  den: Den,
  visit: string,
  bytes: Uint8Array,
): Promise<{ status: number; lines: { fileName?: string; kind?: string; error?: { code: string } }[] }> {
  const response = await fetch(`${den.address}/api/visits/${visit}/zips?name=card.zip`, {
    method: 'POST',
    body: bytes as BodyInit,
  });
  const text = await response.text();
  const lines = text
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as { fileName?: string; kind?: string; error?: { code: string } });
  return { status: response.status, lines };
}

export async function newVisit(den: Den, name = 'Attacked', rooms = ['Front room'], practice = false): Promise<string> {
  const { body } = await post(den, '/api/visits', {
    practice,
    site: { name, address: '', timeZone: 'Europe/London', latitude: 51, longitude: 1, facades: [] },
    kind: 'heat-loss',
    title: 'Attacked',
    question: '',
    startedAt: Date.now(),
    insideC: 20,
    outsideC: 2,
    humidityPct: 50,
    rooms,
  });
  return body.visitId!;
}

/**
 * Asks for something; once more where the connection was closed under the request, as servers close those that were idle for
 * some seconds.
 */
async function get(den: Den, path: string): Promise<Response> {
  const ask = () => fetch(`${den.address}${path}`, { signal: AbortSignal.timeout(60_000) });
  return ask().catch(ask);
}

/** A visit as it is stored, whenever it is read. */
export async function documentOf(den: Den, visit: string): Promise<VisitDocument> {
  return { ...packedDocumentSchema.parse(await (await get(den, `/api/visits/${visit}/document`)).json()), readAt: 0 };
}

/** A grid of temperatures that no other one equals. */
export function grid(seed: number, width = 40, height = 30): string {
  const rows = Array.from({ length: height }, (_, y) =>
    Array.from({ length: width }, (_, x) => (18 + ((x * 7 + y * 13 + seed * 31) % 97) / 50 + seed * 1e-4).toFixed(4)).join(','),
  );
  return `${rows.join('\n')}\n`;
}

export const settingsOf = (level: string, ownerId: string, emissivity = 0.9) => ({ ...NO_SETTINGS, level, ownerId, emissivity });

/** The first visit of the demo. */
export async function demoVisit(den: Den): Promise<string> {
  return (await den.visits())[0]!;
}
