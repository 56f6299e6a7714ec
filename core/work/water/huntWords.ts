import type { Hypothesis, HuntStep, StepOutcome } from '../../model/hypotheses';
import type { Covering } from '../../method/water/willShow';

export const HYPOTHESIS_WORDS: Record<Hypothesis, string> = {
  'hot-pipe': 'Hot water pipe',
  'cold-pipe': 'Cold water pipe',
  'heating-pipe': 'Heating pipe',
  drain: 'Drain',
  'fixture-above': 'Fixture above',
  rain: 'Rain through roof or wall',
  condensation: 'Condensation',
  none: 'No leak',
};

/** What each predicts, in a sentence. */
export const PREDICTS: Record<Hypothesis, string> = {
  'hot-pipe': 'The meter runs with all taps shut and stops with the hot side off; the floor warms when hot water runs.',
  'cold-pipe':
    'The meter runs with all taps shut; the floor cools a little where the water comes out, if mains and floor differ.',
  'heating-pipe': 'The system loses pressure and the meter stands still; the floor is warm along the pipe while it heats.',
  drain: 'Wet after use, not before; the meter stands still; warm water in the drain shows where it leaves.',
  'fixture-above': 'Wet after one fixture was used, below it.',
  rain: 'Wet after rain, high where it begins and low where it ends; dry spells dry it.',
  condensation:
    'The surface lies below the dew point of the room; it comes and goes with the weather and with cooking and washing.',
  none: 'Nothing is wet, and the meter stands still.',
};

export const STEP_WORDS: Record<HuntStep, { ask: string; how: string }> = {
  'meter-still': {
    ask: 'Does the meter stand still?',
    how: 'Shut every tap and appliance; watch the smallest hand of the water meter for fifteen minutes.',
  },
  'meter-hot-off': {
    ask: 'Does it stop when the hot side is shut?',
    how: 'Shut the cold feed of the hot water and watch the meter again.',
  },
  'meter-heating-off': {
    ask: 'Does the heating lose pressure?',
    how: 'Note the pressure cold, with the filling loop shut, and again after an hour.',
  },
  listen: { ask: 'Is water heard?', how: 'Listen at the pipes and at the floor with the supply on, then off, then on again.' },
  'warms-hot': {
    ask: 'Does a place warm when hot water runs?',
    how: 'Camera on a tripod, hot tap on, a frame every minute or two: below.',
  },
  'standing-cools': {
    ask: 'Does a place that was warm before cool with the hot side shut?',
    how: 'A leak may have run for weeks. Shut the hot side for an hour or two, camera on a tripod, a frame every few minutes: a leak’s place cools, a heating pipe’s stays.',
  },
  'cools-cold': {
    ask: 'Does a place cool when cold water runs?',
    how: 'Only where mains and floor differ by some kelvin: camera on a tripod, cold tap on.',
  },
  fixtures: {
    ask: 'Does it get wet after one fixture?',
    how: 'Use bath, shower, basin and toilet above one after the other, with ten minutes between.',
  },
  'drain-warm': {
    ask: 'Does warm water leave the drain?',
    how: 'Fill the drain with warm water and watch it: its width along the pipe, and where it leaves.',
  },
  'after-rain': {
    ask: 'Does it come after rain?',
    how: 'Compare a frame after rain, or after hosing one part of the wall at a time, from below upwards.',
  },
  'dew-point': {
    ask: 'Is the surface below the dew point?',
    how: 'Compare the surface with the dew point of the room: region on the Bench, conditions in the chip.',
  },
};

export const OUTCOME_WORDS: Record<StepOutcome, string> = { yes: 'Yes', no: 'No', unclear: 'Unclear' };

export const COVERING_WORDS: Record<Covering, string> = {
  none: 'bare screed',
  tile: 'tiles',
  vinyl: 'vinyl',
  timber: 'timber',
  carpet: 'carpet',
};
