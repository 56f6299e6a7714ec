import { CoreError } from '@core/ground/errors';
import { type Measured, seenIn } from '@core/method/frame/reading';
import { emissivityLikeTape, FOIL, mirroredBy, TAPE } from '@core/method/radiometry/experiments';
import { type Quantity, uncertain } from '@core/method/radiometry/quantity';
import { type CameraErrors, seenBy, type UncertainSettings } from '@core/method/radiometry/uncertainty';
import { usage } from './arguments';
import type { NamedRegion } from './region';
import type { CommandSettings } from './settings';

interface Call extends CommandSettings {
  regions: readonly NamedRegion[];
  /** Name of the region on crumpled foil. */
  foil: string | null;
}

/**
 * Settings of each region of a frame with what they share: a material's emissivity, a view's reflected temperature, foil and
 * tape in the frame. The camera's errors enter once, however often it read.
 *
 * @throws CoreError `bad_usage` for a name that is no region, or two values for one material or view; `impossible` where tape
 *   or foil have no solution
 */
export function settingsOfRegions(call: Call, frame: Measured, camera: CameraErrors): Map<string, UncertainSettings> {
  const { regions, settings, u } = call;
  requireOneValue(regions, 'material', 'emissivity');
  requireOneValue(regions, 'view', 'reflected');
  const air = uncertain(settings.air, { name: 'air', part: 'air', u: u.air });
  const transmittance = uncertain(settings.transmittance, { name: 'transmittance', part: 'path', u: u.transmittance });
  const seen = (region: NamedRegion) => seenBy(seenIn(frame, { ...region, id: region.name }, camera.blur), camera);

  const foil = call.foil === null ? null : named(call.foil, regions, '--foil');
  const ofFoil = foil && mirroredBy(seen(foil), emits(foil, FOIL), air);
  const around = (region: NamedRegion) => ({ reflected: reflectedOf(region, call, ofFoil), air, transmittance });

  const fromTape = new Map<string, Quantity>();
  for (const region of regions.filter(({ own }) => own.tape !== undefined)) {
    const tape = named(region.own.tape!, regions, `tape of region ${region.name}`);
    const found = emissivityLikeTape(seen(region), seen(tape), emits(tape, TAPE), around(region));
    if (!(found.at({}) > 0 && found.at({}) <= 1.05)) {
      throw new CoreError(
        'impossible',
        `No emissivity makes region ${region.name} as warm as its tape.`,
        { argument: region.name, value: String(found.at({})) },
        'See that both have one temperature, and that they differ from what they mirror.',
      );
    }
    fromTape.set(materialOf(region), found);
  }
  return new Map(
    regions.map((region) => {
      const emissivity = fromTape.get(materialOf(region)) ?? emissivityOf(region, call, foil);
      return [region.name, { emissivity, ...around(region) }];
    }),
  );
}

/** What shares its emissivity with others, or stands alone. */
const materialOf = ({ name, own }: NamedRegion) => (own.material === undefined ? `region ${name}` : `material ${own.material}`);

function emits({ name, own }: NamedRegion, usual: { value: number; uncertainty: number }): Quantity {
  return uncertain(own.emissivity ?? usual.value, {
    name: `emissivity of region ${name}`,
    part: 'emissivity',
    u: own.emissivityU ?? usual.uncertainty,
  });
}

function emissivityOf(region: NamedRegion, { regions, settings, u }: Call, foil: NamedRegion | null): Quantity {
  if (region === foil) return emits(region, FOIL);
  const { material } = region.own;
  const stated =
    region.own.emissivity === undefined && material !== undefined
      ? (regions.find(({ own }) => own.material === material && own.emissivity !== undefined) ?? region)
      : region;
  return uncertain(stated.own.emissivity ?? settings.emissivity, {
    name: `emissivity of ${materialOf(region)}`,
    part: 'emissivity',
    u: stated.own.emissivityU ?? u.emissivity,
  });
}

function reflectedOf(region: NamedRegion, { regions, settings, u, side }: Call, ofFoil: Quantity | null): Quantity {
  const { view } = region.own;
  const stated =
    region.own.reflected === undefined && view !== undefined
      ? (regions.find(({ own }) => own.view === view && own.reflected !== undefined) ?? region)
      : region;
  if (stated.own.reflected === undefined && ofFoil) return ofFoil;
  const alone = stated.own.reflected !== undefined || side === 'outside';
  return uncertain(stated.own.reflected ?? settings.reflected, {
    name: view !== undefined ? `reflected of view ${view}` : alone ? `reflected of region ${region.name}` : 'reflected',
    part: 'reflected',
    u: stated.own.reflectedU ?? u.reflected,
  });
}

function named(name: string, regions: readonly NamedRegion[], what: string): NamedRegion {
  const found = regions.find((region) => region.name === name);
  if (!found) throw usage(`${what} names ${JSON.stringify(name)}, which is no region of this call.`, 'Give it with --region.');
  return found;
}

/** One thing has one value. */
function requireOneValue(regions: readonly NamedRegion[], group: 'material' | 'view', value: 'emissivity' | 'reflected'): void {
  const known = new Map<string, string>();
  for (const { own } of regions) {
    const id = own[group];
    if (id === undefined || own[value] === undefined) continue;
    const stated = `${own[value]} ± ${own[`${value}U`] ?? 'as usual'}`;
    if (known.has(id) && known.get(id) !== stated)
      throw usage(
        `Two values of ${value} are given for ${group} ${id}: ${known.get(id)} and ${stated}.`,
        `Give one ${group} one value.`,
      );
    known.set(id, stated);
  }
}
