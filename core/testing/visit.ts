import type { VisitDocument } from '../model/document';
import { APPARENT } from '../ground/basis';
import { NO_SETTINGS } from '../method/radiometry/settings';
import { emptyFinding } from '../model/findingRow';

/** Ids of the visit below. */
export const ID = {
  complaint: '0192f0a0-0000-7000-8000-0000000000c1',
  event: '0192f0a0-0000-7000-8000-0000000000e1',
  visit: '0192f0a0-0000-7000-8000-000000000001',
  frame: '0192f0a0-0000-7000-8000-000000000002',
  other: '0192f0a0-0000-7000-8000-000000000003',
  sound: '0192f0a0-0000-7000-8000-000000000004',
  suspect: '0192f0a0-0000-7000-8000-000000000005',
  finding: '0192f0a0-0000-7000-8000-000000000006',
  conditions: '0192f0a0-0000-7000-8000-000000000007',
  settings: '0192f0a0-0000-7000-8000-000000000008',
  room: '0192f0a0-0000-7000-8000-000000000009',
  camera: '0192f0a0-0000-7000-8000-00000000000a',
  site: '0192f0a0-0000-7000-8000-00000000000b',
  intake: '0192f0a0-0000-7000-8000-00000000000c',
  plan: '0192f0a0-0000-7000-8000-00000000000d',
  surface: '0192f0a0-0000-7000-8000-00000000000e',
} as const;

export const FRAME_WIDTH = 40;
export const FRAME_HEIGHT = 30;

/** 18 °C, with a box of 13 °C at 20 … 29, 10 … 19. */
export function wallPixels(): Float32Array {
  return Float32Array.from({ length: FRAME_WIDTH * FRAME_HEIGHT }, (_, i) => {
    const x = i % FRAME_WIDTH;
    const y = Math.floor(i / FRAME_WIDTH);
    return x >= 20 && x < 30 && y >= 10 && y < 20 ? 13 : 18;
  });
}

/** A visit with two frames, a reference, a suspect and one finding. */
export function visitDocument(): VisitDocument {
  const facts = (takenAt: string) => ({
    takenAt,
    fileName: 'a.tif',
    width: FRAME_WIDTH,
    height: FRAME_HEIGHT,
    format: 'tiff',
    sourceUnit: 'C',
    page: 0,
    offsetK: 0,
    slope: 0,
    noiseK: 0.05,
    minC: 13,
    maxC: 18,
    meanC: 17.6,
    cameraId: ID.camera,
    pixelsSha: 'aa',
    thumb: { width: FRAME_WIDTH, height: FRAME_HEIGHT },
  });
  const frame = (id: string, name: string, referenceId: string | null) => ({
    id,
    version: 1,
    value: {
      name,
      roomId: ID.room,
      surfaceId: null,
      stopKey: null,
      discarded: false,
      side: 'inside' as const,
      referenceId,
      ownScale: null,
      basis: APPARENT,
      measure: null,
      sequenceId: null,
      picked: true,
    },
  });
  const region = (id: string, name: string, x: number, ordinal: number) => ({
    id,
    version: 1,
    value: {
      frameId: ID.frame,
      name,
      ordinal,
      role: 'reading' as const,
      shape: { kind: 'box' as const, x, y: 11, width: 8, height: 8 },
    },
  });
  return {
    visitId: ID.visit,
    siteId: ID.site,
    readAt: 0,
    broken: [],
    practised: false,
    frameFacts: { [ID.frame]: facts('2026-02-11T19:20:00.000Z'), [ID.other]: facts('2026-02-11T19:15:00.000Z') },
    photoFacts: {},
    earlier: {},
    recordedAt: { [ID.finding]: '2026-02-11T20:00:00.000Z' },
    rows: {
      recording: {},
      site: {
        [ID.site]: {
          id: ID.site,
          version: 1,
          value: {
            name: 'Old Kiln Row',
            address: '',
            timeZone: 'Europe/London',
            latitude: 51.2,
            longitude: 1,
            facades: [
              { azimuth: 10, wall: 'brick' },
              { azimuth: 190, wall: 'brick' },
            ],
            archived: false,
          },
        },
      },
      intake: {
        [ID.intake]: {
          id: ID.intake,
          version: 1,
          value: {
            visitId: ID.visit,
            kind: 'heat-loss',
            complaints: [{ id: ID.complaint, place: 'Front room', what: 'Cold near the window', answer: '' }],
            history: [{ id: ID.event, what: 'Chimney taken out', when: '2019' }],
            ownHome: false,
            people: '',
            access: '',
          },
        },
      },
      plan: {
        [ID.plan]: {
          id: ID.plan,
          version: 1,
          value: {
            visitId: ID.visit,
            insideC: 20,
            strictness: 'usual',
            season: 'weather',
            timeConstantsH: { light: 0.7, brick: 3, stone: 5.5 },
            weatherId: null,
            nights: [],
            firstDay: null,
            slot: null,
            letter: null,
          },
        },
      },
      visit: {
        [ID.visit]: {
          id: ID.visit,
          version: 1,
          value: {
            title: 'Evening visit',
            startedAt: Date.UTC(2026, 1, 11, 19, 10),
            archived: false,
            question: 'Why is it cold?',
            answer: '',
            nextDay: null,
            cameraId: null,
            practice: false,
            upgraded: null,
            span: { belowK: 6, aboveK: 5, colourMap: 'hearth', fixed: null, shade: null },
            mouldFactor: 0.7,
            referenceInsideId: ID.sound,
            referenceOutsideId: null,
          },
        },
      },
      conditions: {
        [ID.conditions]: {
          id: ID.conditions,
          version: 1,
          value: {
            visitId: ID.visit,
            insideC: 20,
            outsideC: 2,
            humidityPct: 50,
            windFromDeg: null,
            cloudPct: null,
            windMs: 1,
            sunHours: 30,
            rainHours: 40,
            heatingHours: 48,
            airHours: 48,
          },
        },
      },
      frame: { [ID.frame]: frame(ID.frame, 'Window wall', ID.sound), [ID.other]: frame(ID.other, 'Chimney', null) },
      photo: {},
      room: {
        [ID.room]: {
          id: ID.room,
          version: 1,
          value: {
            siteId: ID.site,
            name: 'Front room',
            kind: 'living',
            storey: 0,
            plan: { x: 0, y: 0, width: 4, depth: 4 },
            heightM: 2.4,
            heated: null,
            ordinal: 0,
          },
        },
      },
      surface: {
        [ID.surface]: {
          id: ID.surface,
          version: 1,
          value: {
            siteId: ID.site,
            roomId: ID.room,
            name: 'Window wall',
            kind: 'wall',
            azimuth: 200,
            mass: 'brick',
            behind: 'outside',
            widthM: 3.6,
            heightM: 2.4,
            openings: [{ id: '0192f0a0-0000-7000-8000-0000000000a1', kind: 'window', x: 1.2, y: 0.8, width: 1.2, height: 1.1 }],
            otherSideId: null,
            ordinal: 0,
          },
        },
      },
      stop: {},
      putBack: {},
      log: {},
      kit: {},
      kitList: {},
      sequence: {},
      probe: {},
      ruling: {},
      material: {},
      instrument: {},
      camera: {
        [ID.camera]: {
          id: ID.camera,
          version: 1,
          value: {
            name: 'Row camera',
            columns: 320,
            rows: 240,
            fieldDeg: 50,
            noiseK: 0.06,
            calibrationK: 1.5,
            uniformityK: 0.05,
            repeatabilityK: 0.2,
            gain: 0.01,
            blurPx: 0,
            alignments: [],
            minDistanceM: 0.3,
            offsetK: 0,
            slope: 0,
            clockAheadS: 0,
            parts: [],
            trained: [],
            checks: [],
            assumed: [],
            archived: false,
          },
        },
      },
      region: { [ID.sound]: region(ID.sound, 'sound wall', 4, 0), [ID.suspect]: region(ID.suspect, 'sill', 21, 1) },
      settings: {
        [ID.settings]: {
          id: ID.settings,
          version: 1,
          value: { ...NO_SETTINGS, level: 'visit', ownerId: ID.visit, emissivity: 0.95, reflectedC: 20 },
        },
      },
      exhibit: {},
      ownStop: {},
      service: {},
      emitter: {},
      heating: {},
      warming: {},
      valveTurn: {},
      tailReading: {},
      face: {},
      floorTrace: {},
      pipe: {},
      flush: {},
      boilerCard: {},
      pair: {},
      hunt: {},
      finding: {
        [ID.finding]: {
          id: ID.finding,
          version: 1,
          value: emptyFinding(ID.visit, {
            basis: 'pair',
            frameId: ID.frame,
            thisRegionId: ID.suspect,
            thatRegionId: ID.sound,
            title: 'Cold sill',
            note: 'Look again.',
          }),
        },
      },
    },
  };
}
