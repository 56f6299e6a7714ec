import type { BayFeature } from './features/bay';
import type { DoorFeature } from './features/door';
import type { EdgeFeature } from './features/edge';
import type { LeakFeature } from './features/leak';
import type { PanelFeature } from './features/panel';
import type { RadiatorFeature } from './features/radiator';
import type { StudsFeature } from './features/studs';
import type { WindowFeature } from './features/window';

import type { View } from './surface';

/** Everything that can be on a wall; a new kind is one file in features/ and one line here and in the registry. */
export type Feature =
  StudsFeature | BayFeature | WindowFeature | LeakFeature | RadiatorFeature | EdgeFeature | PanelFeature | DoorFeature;

/** A view and what is on the surface, laid over each other in this order. */
export interface Scene extends View {
  features: readonly Feature[];
}
