import { v7 as newId } from 'uuid';
import { usualServices } from '@core/model/placeServices';
import { surfacesOf } from '@core/work/house/surfacesOf';
import { templateRooms, TEMPLATES, type TemplateName } from '@core/work/house/templates';
import type { Asking } from '@data/asking';
import { columnsOf } from '@data/rows/write';
import * as t from '@data/schema';

/** Rooms, surfaces and services of a template for a made-up house that has none yet. */
export async function furnish(asking: Asking, siteId: string, name: TemplateName, frontAzimuth: number): Promise<void> {
  const template = TEMPLATES[name];
  const rooms = templateRooms(template, siteId).map((value) => ({ id: newId(), value }));
  const shell = { ...template.shell, frontAzimuth };
  const surfaces = surfacesOf(siteId, rooms, new Set(rooms.map(({ id }) => id)), shell, {}, newId);
  await asking.db
    .insert(t.room)
    .values(rooms.map(({ id, value }) => ({ ...(columnsOf('room', value) as typeof t.room.$inferInsert), id })));
  await asking.db.insert(t.surface).values(surfaces.map(({ id, value }) => ({ id, ...value })));
  const services = usualServices(siteId, rooms, surfaces, frontAzimuth, newId);
  await asking.db.insert(t.service).values(services.map(({ id, value }) => ({ id, ...value })));
}
