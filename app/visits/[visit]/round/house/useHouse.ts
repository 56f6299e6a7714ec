'use client';

import type { PlanSide } from '@core/model/houseKinds';
import { useMemo } from 'react';
import { v7 as newId } from 'uuid';
import { NO_SETTINGS } from '@core/method/radiometry/settings';
import type { Row } from '@core/model/entities';
import type { RoomValue } from '@core/model/roomRow';
import type { SurfaceValue } from '@core/model/surfaceRow';
import { settingsIdOf } from '@core/ground/rowId';
import { fittedSurface, newOpening, nextPlan, roomKindFromName } from '@core/work/house/edit';
import type { OpeningKind } from '@core/model/houseKinds';
import { usualServices } from '@core/model/placeServices';
import type { ServiceValue } from '@core/model/serviceRow';
import { SERVICE_WORDS, type ServiceKind } from '@core/model/serviceKinds';
import { surfacesOf, type HouseShell } from '@core/work/house/surfacesOf';
import { templateRooms, TEMPLATES, type HouseTemplate, type TemplateName } from '@core/work/house/templates';
import { frontAzimuthOf, roomsOf } from '@core/work/visit/theVisit';
import type { Edit } from '@ui/store/rowStore';
import { useRemoval } from '@ui/visit/useRemoval';
import { useVisit } from '@ui/visit/VisitProvider';

/** A house that nobody described yet: brick, free-standing, a loft above. */
const USUAL_SHELL: Omit<HouseShell, 'frontAzimuth'> = TEMPLATES.bungalow.shell;

/** The site's house and everything that a hand does to it; each is one step of undo. */
export function useHouse() {
  const { document, edit } = useVisit();
  const removal = useRemoval();
  const { siteId } = document;
  const rooms = useMemo(() => roomsOf(document), [document]);
  const surfaces = useMemo(
    () => Object.values(document.rows.surface).sort((a, b) => a.value.ordinal - b.value.ordinal),
    [document],
  );
  const frontAzimuth = frontAzimuthOf(document);
  const services = useMemo(
    () => Object.values(document.rows.service).sort((a, b) => a.value.ordinal - b.value.ordinal),
    [document],
  );
  const surfacesIn = (roomId: string | null) => surfaces.filter(({ value }) => value.roomId === roomId);

  const putRoom = (row: Row<'room'>, label: string, change: Partial<RoomValue>) => {
    const value = { ...row.value, ...change };
    const refit = change.plan || change.heightM;
    edit(label, [
      { entity: 'room', rowId: row.id, value },
      ...(refit
        ? surfacesIn(row.id).map(({ id, value: surface }): Edit => ({
            entity: 'surface',
            rowId: id,
            value: fittedSurface(surface, value, frontAzimuth),
          }))
        : []),
    ]);
  };

  const surfaceEdits = (
    all: { id: string; value: RoomValue }[],
    bare: Set<string>,
    shell: HouseTemplate['shell'],
    emissivity: number | null,
  ): Edit[] => {
    const facades: Partial<Record<PlanSide, string>> = {};
    for (const { id, value } of surfacesIn(null)) {
      const side = (['front', 'left', 'back', 'right'] as const)[
        Math.round(((value.azimuth ?? 0) - frontAzimuth + 720) / 90) % 4
      ]!;
      facades[side] = id;
    }
    const made = surfacesOf(siteId, all, bare, { ...shell, frontAzimuth }, facades, newId);
    const offset = surfaces.length;
    return [
      ...made.map(({ id, value }): Edit => ({
        entity: 'surface',
        rowId: id,
        value: { ...value, ordinal: value.ordinal + offset },
      })),
      ...made
        .filter(({ value }) => emissivity !== null && value.roomId === null)
        .map(({ id }): Edit => ({
          entity: 'settings',
          rowId: settingsIdOf(id),
          value: { ...NO_SETTINGS, level: 'surface', ownerId: id, emissivity },
        })),
    ];
  };

  /** What rooms of their kind usually have. */
  const serviceEdits = (all: { id: string; value: RoomValue }[], walls: { id: string; value: SurfaceValue }[]): Edit[] =>
    usualServices(siteId, all, walls, frontAzimuth, newId).map(({ id, value }) => ({ entity: 'service', rowId: id, value }));

  return {
    rooms,
    services,
    servicesIn: (roomId: string) => services.filter(({ value }) => value.roomId === roomId),
    surfaces,
    surfacesIn,
    bare: rooms.filter(({ id }) => surfacesIn(id).length === 0),
    frontAzimuth,
    putRoom,

    applyTemplate(name: TemplateName) {
      const template: HouseTemplate = TEMPLATES[name];
      const made = templateRooms(template, siteId).map((value) => ({ id: newId(), value }));
      const walls = surfaceEdits(made, new Set(made.map(({ id }) => id)), template.shell, template.outsideEmissivity);
      edit(`House from “${template.name}”`, [
        ...made.map(({ id, value }): Edit => ({ entity: 'room', rowId: id, value })),
        ...walls,
        ...serviceEdits(made, wallsIn(walls)),
      ]);
    },

    addRoom(name: string, storey: number) {
      const value: RoomValue = {
        siteId,
        name,
        kind: roomKindFromName(name),
        storey,
        plan: nextPlan(
          rooms.map((row) => row.value),
          storey,
        ),
        heightM: 2.4,
        heated: null,
        ordinal: Math.max(-1, ...rooms.map((row) => row.value.ordinal)) + 1,
      };
      const id = newId();
      edit(`Room added: ${name}`, [{ entity: 'room', rowId: id, value }]);
      return id;
    },

    /** Lays the rooms of each storey beside each other, in the order of the round. */
    spread() {
      const placed: RoomValue[] = [];
      edit(
        'Rooms side by side',
        rooms.map(({ id, value }): Edit => {
          const { x } = nextPlan(placed, value.storey);
          const moved = { ...value, plan: { ...value.plan, x, y: 0 } };
          placed.push(moved);
          return { entity: 'room', rowId: id, value: moved };
        }),
      );
    },

    /** Gives surfaces to rooms that have none, as the plan says. */
    makeSurfaces() {
      const bare = new Set(rooms.filter(({ id }) => surfacesIn(id).length === 0).map(({ id }) => id));
      edit('Surfaces from the plan', surfaceEdits(rooms, bare, USUAL_SHELL, null));
    },

    /** Frames of this visit that lie there lose their place, and nothing else. */
    removeRoom(row: Row<'room'>, onGone: () => void) {
      const kinds = ['service', 'surface'] as const;
      const within = kinds.flatMap((entity) =>
        Object.values(document.rows[entity])
          .filter(({ value }) => value.roomId === row.id)
          .map(({ id }) => ({ entity, rowId: id })),
      );
      removal({
        label: `Room removed: ${row.value.name}`,
        title: `Remove ${row.value.name}?`,
        targets: [...within, { entity: 'room', rowId: row.id }],
        onGone,
      });
    },

    /** What the rooms of a house that has none usually have. */
    makeServices() {
      edit('Usual services', serviceEdits(rooms, surfaces));
    },

    addService(room: Row<'room'>, kind: ServiceKind) {
      const own = services.filter(({ value }) => value.roomId === room.id);
      const alike = own.filter((service) => service.value.kind === kind).length;
      const { width, depth } = room.value.plan;
      const value: ServiceValue = {
        siteId,
        roomId: room.id,
        kind,
        name: alike === 0 ? SERVICE_WORDS[kind] : `${SERVICE_WORDS[kind]} ${alike + 1}`,
        x: width / 2,
        y: depth / 2,
        ordinal: Math.max(-1, ...own.map((service) => service.value.ordinal)) + 1,
      };
      edit(`Added: ${value.name}`, [{ entity: 'service', rowId: newId(), value }]);
    },

    putService(row: Row<'service'>, label: string, change: Partial<ServiceValue>) {
      edit(label, [{ entity: 'service', rowId: row.id, value: { ...row.value, ...change } }]);
    },

    removeService(row: Row<'service'>) {
      removal({
        label: `Removed: ${row.value.name}`,
        title: `Remove ${row.value.name}?`,
        targets: [{ entity: 'service', rowId: row.id }],
      });
    },

    moveRoom(row: Row<'room'>, by: -1 | 1) {
      const place = rooms.indexOf(row);
      const other = rooms[place + by];
      if (!other) return;
      const order = rooms.map(({ id }) => id);
      [order[place], order[place + by]] = [other.id, row.id];
      edit(
        `Order of the round: ${row.value.name}`,
        order.map((id, ordinal): Edit => ({ entity: 'room', rowId: id, value: { ...document.rows.room[id]!.value, ordinal } })),
      );
    },

    putSurface(row: Row<'surface'>, label: string, change: Partial<SurfaceValue>) {
      edit(label, [{ entity: 'surface', rowId: row.id, value: { ...row.value, ...change } }]);
    },

    addSurface(roomId: string | null) {
      const room = roomId === null ? undefined : document.rows.room[roomId]?.value;
      const outdoors = room === undefined;
      const value: SurfaceValue = {
        siteId,
        roomId: outdoors ? null : roomId,
        name: outdoors ? 'Roof' : 'Another wall',
        kind: outdoors ? 'roof' : 'wall',
        azimuth: frontAzimuth,
        mass: 'light',
        behind: outdoors ? 'room' : 'outside',
        widthM: room?.plan.width ?? 6,
        heightM: room?.heightM ?? 4,
        openings: [],
        otherSideId: null,
        ordinal: Math.max(-1, ...surfaces.map((row) => row.value.ordinal)) + 1,
      };
      edit(`Surface added: ${value.name}`, [{ entity: 'surface', rowId: newId(), value }]);
    },

    /** Frames that show it keep their room. */
    removeSurface(row: Row<'surface'>) {
      removal({
        label: `Surface removed: ${row.value.name}`,
        title: `Remove ${row.value.name}?`,
        targets: [{ entity: 'surface', rowId: row.id }],
      });
    },

    /** Links a place to its other side, from both; a façade stands behind many walls and points at none. */
    linkSides(row: Row<'surface'>, otherId: string | null) {
      const before = row.value.otherSideId === null ? undefined : document.rows.surface[row.value.otherSideId];
      const next = otherId === null ? undefined : document.rows.surface[otherId];
      const point = (surface: Row<'surface'>, otherSideId: string | null): Edit => ({
        entity: 'surface',
        rowId: surface.id,
        value: { ...surface.value, otherSideId },
      });
      edit(`Other side of ${row.value.name}`, [
        ...(before?.value.otherSideId === row.id ? [point(before, null)] : []),
        point(row, otherId),
        ...(next && next.value.roomId !== null ? [point(next, row.id)] : []),
      ]);
    },

    addOpening(row: Row<'surface'>, kind: OpeningKind) {
      edit('Opening added', [
        {
          entity: 'surface',
          rowId: row.id,
          value: { ...row.value, openings: [...row.value.openings, newOpening(newId(), kind, row.value)] },
        },
      ]);
    },
  };
}

/** The surfaces that some edits make. */
function wallsIn(edits: readonly Edit[]): { id: string; value: SurfaceValue }[] {
  return edits.flatMap(({ entity, rowId, value }) => (entity === 'surface' ? [{ id: rowId, value: value as SurfaceValue }] : []));
}

export type HouseHand = ReturnType<typeof useHouse>;
