import type { BareFeature } from './features/bare';
import type { BayFeature } from './features/bay';
import type { DampFeature } from './features/damp';
import type { DoorFeature } from './features/door';
import type { DuctFeature } from './features/duct';
import type { EdgeFeature } from './features/edge';
import type { EmitterFeature } from './features/emitter';
import type { FilmFeature } from './features/film';
import type { FittingFeature } from './features/fitting';
import type { GrilleFeature } from './features/grille';
import type { JointsFeature } from './features/joints';
import type { LeakFeature } from './features/leak';
import type { LineFeature } from './features/line';
import type { MirrorFeature } from './features/mirror';
import type { NestFeature } from './features/nest';
import type { NetFeature } from './features/net';
import type { PanelFeature } from './features/panel';
import type { PatchFeature } from './features/patch';
import type { PrintFeature } from './features/print';
import type { RadiatorFeature } from './features/radiator';
import type { RegisterFeature } from './features/register';
import type { RingFeature } from './features/ring';
import type { SlumpFeature } from './features/slump';
import type { SnowFeature } from './features/snow';
import type { StreakFeature } from './features/streak';
import type { StripeFeature } from './features/stripe';
import type { StudsFeature } from './features/studs';
import type { SunFeature } from './features/sun';
import type { SunPatchFeature } from './features/sunPatch';
import type { WindowFeature } from './features/window';

import type { View } from './surface';

/** Everything that can be on a surface; a new kind is one file in features/ and one line here and in the registry. */
export type Feature =
  | BareFeature
  | BayFeature
  | DampFeature
  | DoorFeature
  | DuctFeature
  | EdgeFeature
  | EmitterFeature
  | FilmFeature
  | FittingFeature
  | GrilleFeature
  | JointsFeature
  | LeakFeature
  | LineFeature
  | MirrorFeature
  | NestFeature
  | NetFeature
  | PanelFeature
  | PatchFeature
  | PrintFeature
  | RadiatorFeature
  | RegisterFeature
  | RingFeature
  | SlumpFeature
  | SnowFeature
  | StreakFeature
  | StripeFeature
  | StudsFeature
  | SunFeature
  | SunPatchFeature
  | WindowFeature;

/** A surface with the camera before it, and what is on it, laid over each other in this order. */
export interface Scene extends View {
  features: readonly Feature[];
}
