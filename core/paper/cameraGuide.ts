import type { CameraValue } from '../model/cameraRow';
import { FIRST_AID } from './firstAid';
import { HONEST_PIXELS, sightAt } from '../method/radiometry/optics';
import { number } from '../ground/format';
import type { Handout } from './handout';

/** Distances at which people stand, m. */
const DISTANCES_M = [1, 2, 4];

/**
 * One page for whoever takes a camera along: what it sees, how its colours are held, what to do when it does not do what it
 * should, and what comes back with it.
 */
export function cameraGuide(camera: CameraValue): Handout {
  const { name, columns, rows, fieldDeg, minDistanceM, parts } = camera;
  return {
    title: name,
    subtitle: 'A short guide to take along',
    fileName: `${name} guide`.slice(0, 160),
    blocks: [
      { kind: 'heading', text: 'What it sees' },
      {
        kind: 'text',
        text: `${columns} × ${rows} pixels over ${number(fieldDeg, 0)}°; sharp from ${number(minDistanceM, 1)} m. It sees the temperature of surfaces, never through walls. Glass, metal and gloss are mirrors: step aside, or read matt tape.`,
      },
      {
        kind: 'table',
        columns: [
          { name: 'From', share: 1 },
          { name: 'In view', share: 2 },
          { name: `Smallest thing to be read (${HONEST_PIXELS} pixels)`, share: 2 },
        ],
        rows: DISTANCES_M.filter((distance) => distance >= minDistanceM).map((distance) => {
          const { width, height, smallest } = sightAt(camera, distance);
          return [`${distance} m`, `${number(width, 1)} × ${number(height, 1)} m`, `${number(1000 * smallest, 0)} mm`];
        }),
      },
      { kind: 'heading', text: 'How to hold its colours' },
      {
        kind: 'points',
        points: [
          'Let it warm up for ten minutes. Emissivity 0.95 for walls, paper, paint, wood.',
          'Stretch to find: colours over all that is in view make small things loud.',
          'Hold to state: point at a sound wall, hold the range, and leave it for the whole round.',
          'Nothing hot and no sky in view: they pull the range away.',
          'Two frames of each place: what is odd, and a sound place of the same kind at the same height.',
        ],
      },
      { kind: 'heading', text: 'When it does not do what it should' },
      { kind: 'points', points: FIRST_AID.map(([sign, help]) => `${sign}: ${help}`) },
      ...(parts.length > 0
        ? ([
            { kind: 'heading', text: 'What comes back' },
            { kind: 'text', text: parts.join(' · ') },
          ] as const)
        : []),
      { kind: 'heading', text: 'Mind' },
      {
        kind: 'points',
        points: [
          'Look up before you step. Nobody on a roof or a ladder with the camera in hand.',
          'No hand near live parts, no cover opened, no vent or flue closed. Licensed people and local codes come first.',
          'It shows people too: ask. Clear its card of your pictures before it goes back.',
        ],
      },
    ],
  };
}
