import type { Page } from '@playwright/test';
import type { VisitDocument } from '@core/model/document';
import { SIGNAL_HOUSE_DEMO } from '../../data/demo/signalHouse';
import { practiceAt, type PracticedRadiator } from '../../core/method/simulate/heating/practice';
import { SIGNAL_HOUSE } from '../../core/method/simulate/heating/signalHouse';
import { documentOf, expect } from './pages';

/** A new visit of the house whose heating answers; each visit has a history of its own. */
export async function signalVisit(page: Page, title: string): Promise<string> {
  await page.goto('/');
  const href = await page
    .getByRole('link', { name: /Season start/ })
    .first()
    .getAttribute('href');
  const { siteId } = await documentOf(page, /visits\/([0-9a-f-]+)/.exec(href!)![1]!);
  const answer = await page.request.post('/api/visits', {
    data: {
      site: { id: siteId },
      kind: 'no-heat',
      title,
      question: 'Why do the last rooms stay cold?',
      startedAt: Date.UTC(2026, 1, 12, 9),
      insideC: 19.5,
      outsideC: 3.2,
      humidityPct: 46,
      rooms: [],
    },
  });
  expect(answer.status()).toBe(200);
  return ((await answer.json()) as { visitId: string }).visitId;
}

/** The service of the radiator in a room. */
export function radiatorIn({ rows }: VisitDocument, room: string): string {
  const home = Object.values(rows.room).find(({ value }) => value.name === room)!;
  return Object.values(rows.service).find(({ value }) => value.roomId === home.id && value.kind === 'radiator')!.id;
}

/** What the tails of all radiators truly have now, by room: the same physics, played again from what is stored of the visit. */
export async function truthOf(page: Page, visit: string): Promise<Map<string, PracticedRadiator>> {
  const document = await documentOf(page, visit);
  const { rows } = document;
  const rooms = SIGNAL_HOUSE_DEMO.rooms;
  const idOf = new Map(rooms.map(({ name, radiator }) => [radiator, radiatorIn(document, name)]));
  const [heating] = Object.values(rows.heating);
  const state = practiceAt(
    {
      ...SIGNAL_HOUSE,
      radiators: SIGNAL_HOUSE.radiators.map((one) => ({ ...one, id: idOf.get(one.id)! })),
      looks: Object.fromEntries(
        rooms.map((one) => [
          idOf.get(one.radiator)!,
          { widthM: one.widthM, heightM: 0.6, sludge: one.sludge, flowEnd: one.flowEnd },
        ]),
      ),
    },
    {
      onAt: heating!.value.onAt,
      found: Object.fromEntries(
        Object.values(rows.emitter).flatMap(({ value: { serviceId, turns } }) =>
          turns === null ? [] : [[serviceId, turns] as const],
        ),
      ),
      turned: Object.values(rows.valveTurn).map(({ value }) => ({ id: value.serviceId, at: value.at, to: value.to })),
      bled: Object.values(rows.warming).flatMap(({ value }) =>
        value.bledAt === null ? [] : [{ id: value.serviceId, at: value.bledAt }],
      ),
      agitatedAt: null,
      flushedAt: null,
    },
    Date.now() + 1000 * heating!.value.skippedS,
  );
  return new Map(rooms.map(({ name, radiator }) => [name, state.get(idOf.get(radiator)!)!]));
}

/** Practice only: time goes on by five minutes at a press. */
export async function letPass(page: Page, minutes: number): Promise<void> {
  for (let passed = 0; passed < minutes; passed += 5) await page.getByRole('button', { name: 'Let 5 minutes pass' }).click();
}

/** A frame by the stand-in camera, as soon as it sees something. */
export async function capture(page: Page, button: 'Capture' | 'Capture and read'): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`${button}$`) }).click();
}
