'use client';

import { App } from 'antd';
import { v7 as newId } from 'uuid';
import type { DrawnShape, Shape } from '@core/method/frame/region';
import { grownShape, movedShape, turnedShape } from '@core/method/frame/reshape';
import { visitRow } from '@core/work/visit/theVisit';
import type { Row } from '@core/model/entities';
import type { RegionValue } from '@core/model/regionRow';
import { settingsIdOf } from '@core/ground/rowId';
import type { Edit } from '@ui/store/rowStore';
import { useRemoval } from '@ui/visit/useRemoval';
import { useVisit } from '@ui/visit/VisitProvider';
import type { FrameView } from '@core/work/visit/frameView';
import type { View, ViewAction } from './view';

const NAMES: Record<Shape['kind'], string> = {
  spot: 'spot',
  box: 'box',
  ellipse: 'ellipse',
  line: 'line',
  poly: 'polygon',
  beyond: 'all',
};

const DRAWN: Record<RegionValue['role'], string> = { reading: 'drawn', length: 'measured', leftOut: 'left out' };

/** What people do to the regions of a frame; each is one step of undo. */
export function useRegions(frame: FrameView | null, view: View, dispatch: (action: ViewAction) => void) {
  const { document, edit } = useVisit();
  const { message } = App.useApp();
  const removal = useRemoval();

  const nameFor = (shape: Shape, role: RegionValue['role']): string => {
    if (shape.kind === 'beyond') return `all ${shape.side}`;
    const word = role === 'leftOut' ? 'left out' : role === 'length' ? 'length' : NAMES[shape.kind];
    const same = frame!.regions.filter(
      ({ row: { value } }) => value.role === role && (role !== 'reading' || value.shape.kind === shape.kind),
    ).length;
    return `${word} ${same + 1}`;
  };

  const draw = (shape: Shape, role: RegionValue['role'] = 'reading') => {
    if (!frame) return;
    const id = newId();
    const ordinal = Math.max(-1, ...frame.regions.map(({ row }) => row.value.ordinal)) + 1;
    const name = nameFor(shape, role);
    edit(`${name}: ${DRAWN[role]}`, [{ entity: 'region', rowId: id, value: { frameId: frame.id, name, shape, role, ordinal } }]);
    dispatch({ kind: 'tool', tool: 'select' });
    dispatch({ kind: 'select', regionId: id });
  };

  const change = (regionId: string, value: Partial<Pick<RegionValue, 'name' | 'shape'>>, label: string) => {
    const row = document.rows.region[regionId];
    if (row) edit(label, [{ entity: 'region', rowId: regionId, value: { ...row.value, ...value } }]);
  };

  const reshape = (regionId: string, by: (shape: DrawnShape) => DrawnShape, label: string) => {
    const shape = document.rows.region[regionId]?.value.shape;
    if (!shape || shape.kind === 'beyond') return;
    const next = by(shape);
    if (next !== shape) change(regionId, { shape: next }, label);
  };

  const remove = (regionId: string) =>
    removal({
      label: 'Region removed',
      title: `Remove the region ${document.rows.region[regionId]?.value.name ?? ''}?`,
      targets: [{ entity: 'region', rowId: regionId }],
      onGone: () => dispatch({ kind: 'select', regionId: null }),
    });

  const markReference = (regionId: string) => {
    if (!frame || document.rows.region[regionId]?.value.role !== 'reading') return;
    const visit = visitRow(document);
    const key = frame.row.value.side === 'inside' ? 'referenceInsideId' : 'referenceOutsideId';
    const known = visit.value[key];
    edit('Reference marked', [
      { entity: 'frame', rowId: frame.id, value: { ...frame.row.value, referenceId: regionId } },
      // The first reference on a side stands for the visit, until another is chosen for it.
      ...(known !== null && document.rows.region[known]
        ? []
        : [{ entity: 'visit' as const, rowId: visit.id, value: { ...visit.value, [key]: regionId } }]),
    ]);
  };

  /** The same shape, name and settings on another frame; it goes where it lies here. */
  const copyTo = (regionId: string, next: Row<'frame'>) => {
    const row = document.rows.region[regionId];
    if (!row) return;
    const id = newId();
    const edits: Edit[] = [{ entity: 'region', rowId: id, value: { ...row.value, frameId: next.id } }];
    const own = Object.values(document.rows.settings).find(({ value }) => value.ownerId === regionId);
    if (own) edits.push({ entity: 'settings', rowId: settingsIdOf(id), value: { ...own.value, ownerId: id } });
    if (frame?.referenceId === regionId && next.value.referenceId === null) {
      edits.push({ entity: 'frame', rowId: next.id, value: { ...next.value, referenceId: id } });
    }
    edit(`${row.value.name} copied to ${next.value.name}`, edits);
    void message.success(`Copied to ${next.value.name}.`, 2);
  };

  const selected = document.rows.region[view.selectedId ?? ''];
  const nudge = (dx: number, dy: number, how: 'move' | 'grow' | 'turn'): boolean => {
    if (!frame || !selected || selected.value.frameId !== frame.id) return false;
    const by = {
      move: (shape: DrawnShape) => movedShape(shape, dx, dy, frame.facts),
      grow: (shape: DrawnShape) => grownShape(shape, dx, dy),
      turn: (shape: DrawnShape) => turnedShape(shape, dx),
    }[how];
    reshape(selected.id, by, { move: 'Region moved', grow: 'Region resized', turn: 'Region turned' }[how]);
    return true;
  };

  return { draw, change, reshape, remove, markReference, copyTo, nudge };
}

export type RegionEdits = ReturnType<typeof useRegions>;
