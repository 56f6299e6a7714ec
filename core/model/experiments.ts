/** Small things that people try while the camera is there: before, after, and how long in between. */
export const EXPERIMENTS = ['blind', 'door-shut', 'rug', 'door-snake', 'device-off', 'curtain-open'] as const;
export type Experiment = (typeof EXPERIMENTS)[number];

interface ExperimentWords {
  words: string;
  /** How long until the surface has followed, minutes. */
  waitMin: number;
  /** What makes the second look worth nothing. */
  voidWhen: string;
}

/** A surveyor may read and edit this table. */
export const EXPERIMENT_WORDS: Record<Experiment, ExperimentWords> = {
  blind: {
    words: 'Blind down',
    waitMin: 20,
    voidWhen: 'Void if the blind itself is read: its surface is not the pane. The pane behind it gets colder; mind condensation.',
  },
  'door-shut': { words: 'Door kept shut', waitMin: 15, voidWhen: 'Void if somebody opens it, or a fan runs meanwhile.' },
  rug: {
    words: 'Rug laid',
    waitMin: 30,
    voidWhen: 'Void where the rug itself is read as if it were the floor: compare the feet of the room, and the edge beside it.',
  },
  'door-snake': { words: 'Snake at the door', waitMin: 10, voidWhen: 'Void if wind or a fan changes in between.' },
  'device-off': {
    words: 'Device switched off',
    waitMin: 20,
    voidWhen: 'Void if the sun or a heater reaches it. Never switch off what somebody’s health or a freezer depends on.',
  },
  'curtain-open': { words: 'Curtain opened', waitMin: 15, voidWhen: 'Void if the sun comes in meanwhile.' },
};
