import type { Feature } from '../scene';
import type { FeatureKind } from '../surface';
import { bare } from './bare';
import { bay } from './bay';
import { damp } from './damp';
import { door } from './door';
import { duct } from './duct';
import { edge } from './edge';
import { emitter } from './emitter';
import { film } from './film';
import { fitting } from './fitting';
import { grille } from './grille';
import { joints } from './joints';
import { leak } from './leak';
import { line } from './line';
import { mirror } from './mirror';
import { nest } from './nest';
import { net } from './net';
import { panel } from './panel';
import { patch } from './patch';
import { print } from './print';
import { radiator } from './radiator';
import { register } from './register';
import { ring } from './ring';
import { slump } from './slump';
import { snow } from './snow';
import { streak } from './streak';
import { stripe } from './stripe';
import { studs } from './studs';
import { sun } from './sun';
import { sunPatch } from './sunPatch';
import { window } from './window';

const KINDS: { [K in Feature['kind']]: FeatureKind<Extract<Feature, { kind: K }>> } = {
  bare,
  bay,
  damp,
  door,
  duct,
  edge,
  emitter,
  film,
  fitting,
  grille,
  joints,
  leak,
  line,
  mirror,
  nest,
  net,
  panel,
  patch,
  print,
  radiator,
  register,
  ring,
  slump,
  snow,
  streak,
  stripe,
  studs,
  sun,
  'sun-patch': sunPatch,
  window,
};

/** How a feature shows. The registry pairs each kind with its own feature type; the cast only forgets which one. */
export function kindOf(feature: Feature): FeatureKind<Feature> {
  return KINDS[feature.kind] as unknown as FeatureKind<Feature>;
}
