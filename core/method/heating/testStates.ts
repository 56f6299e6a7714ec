/** What is said of the state of a flue gas test. */
export const TEST_STATES = ['warmed', 'all-zones', 'probe-centred', 'sealed', 'alarm'] as const;
export type TestState = (typeof TEST_STATES)[number];

export const TEST_STATE_WORDS: Record<TestState, string> = {
  warmed: 'Warmed through',
  'all-zones': 'All zones calling',
  'probe-centred': 'Probe in the middle of the flue',
  sealed: 'Test point sealed again',
  alarm: 'CO alarm in the room',
};
