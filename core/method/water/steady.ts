import { guesses } from '../compare/guesses';
import { rescaled } from '../compare/maps';
import { resized } from '../compare/resized';
import { Template } from '../compare/template';
import { detailSpread, featuresOf, textureOf, type Evening, type Texture } from '../compare/texture';
import type { Grid } from '../../ground/grid';
import { estimateNoise } from '../../ground/noise';
import type { Homography } from '../../ground/homography';

/** A view is looked at this wide: a leak is broader than what is lost. */
export const STEADY_WIDTH = 160;
const COARSE = 48;
/** Creeping is followed at this width: a twentieth of its pixels can be told. */
const CREEP_WIDTH = 80;
const BROAD = 1 / 36;
const EVENING: Evening = { bound: 5, floor: 2 };
const LOOKING: Evening = { bound: 3, floor: 0.6 };
/** A tripod creeps by parts of a pixel; that is found in so few rounds. */
const CREEP_ROUNDS = 5;
/** A frame that is less like the view than this share of what is usual was bumped; than this, even when looked for, it is none of it. */
const USUAL_SHARE = 0.6;
const FOREIGN_SHARE = 0.45;
/** While nothing is usual yet: of a frame where the last one was, and of one that was looked for, which finds something alike anywhere. */
const LEAST_LIKE = 0.33;
const LEAST_FOUND = 0.6;
/** Hardly anything can be recognised where most of the detail is no more than so many times what noise leaves of it. */
const BARE = 1.15;
const IDENTITY: Homography = [1, 0, 0, 0, 1, 0, 0, 0, 1];

export interface Steadied {
  /** Takes a pixel of the first frame to this one; both `STEADY_WIDTH` wide or less. */
  h: Homography;
  like: number;
}

/** Brings frames of one view onto the first of them: a tripod that creeps, one that was bumped, and what is another view. */
export class View {
  private readonly template: Template;
  private readonly coarse: Grid;
  private last: Homography = IDENTITY;
  private texture: Texture;
  private usual: number[] = [];
  private readonly bare: boolean;

  private readonly width: number;

  constructor(first: Grid) {
    this.width = Math.min(CREEP_WIDTH, first.width);
    this.texture = textureOf(first, BROAD);
    this.template = new Template(featuresOf(this.texture, this.width, EVENING));
    this.coarse = featuresOf(textureOf(first, 1 / 16), Math.min(COARSE, first.width), LOOKING);
    this.bare = this.isBare(this.texture);
  }

  /** @returns null for a frame of another view */
  place(frame: Grid): Steadied | null {
    const texture = textureOf(frame, BROAD, this.texture);
    const way = { rounds: CREEP_ROUNDS, kind: 'similar', robust: true } as const;
    const crept = this.template.fitted(featuresOf(texture, this.width, EVENING), this.last, way);
    const usual = this.usual.length > 0 ? [...this.usual].sort((a, b) => a - b)[this.usual.length >> 1]! : null;
    if (usual === null ? crept.like > LEAST_LIKE : crept.like > USUAL_SHARE * usual) return this.kept(crept, texture);
    const anew = textureOf(frame, BROAD);
    const bumped = this.found(frame, featuresOf(anew, this.width, EVENING));
    if (bumped && bumped.like > (usual === null ? LEAST_FOUND : FOREIGN_SHARE * usual)) return this.kept(bumped, anew);
    // Where hardly anything can be recognised, nothing tells that this is another view, nor that it moved.
    return this.bare && this.isBare(texture) ? this.kept({ h: this.last, like: 1 }, texture) : null;
  }

  private isBare(texture: Texture): boolean {
    const noise = estimateNoise(texture.frame) * Math.min(1, this.width / texture.frame.width);
    return detailSpread(texture, this.width) < BARE * noise;
  }

  private kept({ h, like }: Steadied, texture: Texture): Steadied {
    this.last = h;
    this.texture = texture;
    if (like < 0.999) this.usual.push(like);
    const full = texture.frame.width;
    return { h: rescaled(h, [this.width, full], [this.width, full]), like };
  }

  private found(frame: Grid, features: Grid): Steadied | null {
    const width = this.coarse.width;
    const small = featuresOf(textureOf(frame, 1 / 16), width, LOOKING);
    const fits = guesses(this.coarse, small)
      .slice(0, 6)
      .map(({ h }) =>
        this.template.fitted(features, rescaled(h, [width, this.width], [width, this.width]), {
          rounds: 10,
          kind: 'similar',
          robust: true,
        }),
      )
      .sort((p, q) => q.like - p.like);
    const best = fits[0];
    return best ?? null;
  }
}

/** A frame at the width at which a view is looked at. */
export function steadySize(frame: Grid): Grid {
  if (frame.width <= STEADY_WIDTH) return frame;
  return resized(frame, STEADY_WIDTH, Math.round((STEADY_WIDTH * frame.height) / frame.width));
}
