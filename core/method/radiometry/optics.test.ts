import { CoreError } from '../../ground/errors';
import { reference } from '../../testing/material';
import { sightAt, standOff } from './optics';

test('pixel, spot and field width of the reference', () => {
  expect(reference.spot_size.length).toBeGreaterThan(5);
  for (const { in: given, out } of reference.spot_size) {
    const camera = { columns: given.pixels!, rows: given.pixels! * 0.75, fieldDeg: given.fov_deg! };
    const sight = sightAt(camera, given.distance_m!);
    expect(sight.pixel * 1000).toBeCloseTo(out.pixel_mm!, 3);
    expect(sight.centre * 1000).toBeCloseTo(out.min_target_mm!, 3);
    expect(sight.width).toBeCloseTo(out.field_width_m!, 6);
    expect(sight.height).toBeCloseTo(0.75 * sight.width, 9);
    expect(standOff(camera, sight.width)).toBeCloseTo(given.distance_m!, 9);
  }
});

test('refuses distances and fields that no camera has', () => {
  const camera = { columns: 320, rows: 240, fieldDeg: 50 };
  for (const distance of [0, -1, NaN, 2000]) expect(() => sightAt(camera, distance)).toThrow(CoreError);
  expect(() => sightAt({ ...camera, fieldDeg: 180 }, 2)).toThrow(CoreError);
  expect(() => standOff(camera, 0)).toThrow(CoreError);
});
