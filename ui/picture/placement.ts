import type { Placement } from '@core/paper/markPath';

export interface Size {
  width: number;
  height: number;
}

/** The frame as large as it fits, in the middle. */
export function fitPlacement(frame: Size, stage: Size): Placement {
  const zoom = Math.max(0.01, Math.min(stage.width / frame.width, stage.height / frame.height));
  return { zoom, x: (stage.width - frame.width * zoom) / 2, y: (stage.height - frame.height * zoom) / 2 };
}

const MOST_ZOOM = 40;

/** Zooms so that what is under a screen point stays there; never smaller than the fit, never off the stage. */
export function zoomedAt(
  placement: Placement,
  factor: number,
  at: { x: number; y: number },
  frame: Size,
  stage: Size,
): Placement {
  const least = fitPlacement(frame, stage).zoom;
  const zoom = Math.max(least, Math.min(Math.max(MOST_ZOOM, least), placement.zoom * factor));
  const ratio = zoom / placement.zoom;
  return held({ zoom, x: at.x - (at.x - placement.x) * ratio, y: at.y - (at.y - placement.y) * ratio }, frame, stage);
}

/** Keeps the frame on the stage: in the middle where it is smaller, covering it where it is larger. */
export function held(placement: Placement, frame: Size, stage: Size): Placement {
  const along = (offset: number, length: number, room: number) =>
    length <= room ? (room - length) / 2 : Math.max(room - length, Math.min(0, offset));
  return {
    zoom: placement.zoom,
    x: along(placement.x, frame.width * placement.zoom, stage.width),
    y: along(placement.y, frame.height * placement.zoom, stage.height),
  };
}

/** The pixel under a screen point, held inside the frame. */
export function pixelAt(at: { x: number; y: number }, placement: Placement, frame: Size): { x: number; y: number } {
  const along = (value: number, offset: number, length: number) =>
    Math.max(0, Math.min(length - 1, Math.floor((value - offset) / placement.zoom)));
  return { x: along(at.x, placement.x, frame.width), y: along(at.y, placement.y, frame.height) };
}
