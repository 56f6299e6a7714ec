/** The drying shed's wet floor: a leak in the hot side, with truth. */
export const SHED_LEAK = {
  site: 'Old Kiln Row · drying shed',
  room: { name: 'Drying room', kind: 'workshop', storey: 0, plan: { x: 0, y: 0, width: 4, depth: 3 } },
  floor: { name: 'Floor', widthM: 4, heightM: 3 },
  visit: {
    title: 'Wet floor',
    question: 'The heater runs all night and the floor by the door is wet: where does the water come out?',
    at: '2026-02-13T14:00:00Z',
  },
  complaints: [{ place: 'Drying room', what: 'Wet floor by the door, heater never stops' }],
  air: { insideC: 18.4, outsideC: 4.1, humidityPct: 61 },
  /** Tiles on screed; a frame every ninety seconds, the hot tap opened two minutes after the first. */
  series: { frames: 16, intervalS: 90, onS: 120, coverMm: 40, driveK: 10, poolMm: 70, lean: 0.3, columns: 160, noise: 0.06 },
  /** Where the water comes out, pixels of its frames. */
  source: { x: 96, y: 66 },
  seed: 11,
} as const;
