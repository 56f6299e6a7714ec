import type { Cause } from './cause';
import { airLeak } from './causes/airLeak';
import { appliance } from './causes/appliance';
import { cable } from './causes/cable';
import { coldPipe } from './causes/coldPipe';
import { condensation } from './causes/condensation';
import { convection } from './causes/convection';
import { ductOrFlue } from './causes/ductOrFlue';
import { framing } from './causes/framing';
import { furniture } from './causes/furniture';
import { glazing } from './causes/glazing';
import { hotPipe } from './causes/hotPipe';
import { insects } from './causes/insects';
import { insulationContact } from './causes/insulationContact';
import { intendedOpening } from './causes/intendedOpening';
import { leftoverWarmth } from './causes/leftoverWarmth';
import { missingInsulation } from './causes/missingInsulation';
import { moisture } from './causes/moisture';
import { reflection } from './causes/reflection';
import { slumpedInsulation } from './causes/slumpedInsulation';
import { supplyAir } from './causes/supplyAir';
import { sun } from './causes/sun';
import { thermalBridge } from './causes/thermalBridge';
import { unknown } from './causes/unknown';

/** All causes that are known: a new one is a file in causes/ and a line here. */
export const CAUSES: readonly Cause[] = [
  airLeak,
  missingInsulation,
  slumpedInsulation,
  insulationContact,
  thermalBridge,
  moisture,
  condensation,
  hotPipe,
  coldPipe,
  cable,
  ductOrFlue,
  supplyAir,
  glazing,
  reflection,
  sun,
  appliance,
  convection,
  insects,
  framing,
  leftoverWarmth,
  intendedOpening,
  furniture,
  unknown,
];
