import type { Feature } from '../scene';
import type { FeatureKind } from '../surface';
import { bay } from './bay';
import { door } from './door';
import { edge } from './edge';
import { leak } from './leak';
import { panel } from './panel';
import { radiator } from './radiator';
import { studs } from './studs';
import { window } from './window';

const KINDS: { [K in Feature['kind']]: FeatureKind<Extract<Feature, { kind: K }>> } = {
  studs,
  bay,
  window,
  leak,
  radiator,
  edge,
  panel,
  door,
};

/** How a feature shows. The registry pairs each kind with its own feature type; the cast only forgets which one. */
export function kindOf(feature: Feature): FeatureKind<Feature> {
  return KINDS[feature.kind] as unknown as FeatureKind<Feature>;
}
