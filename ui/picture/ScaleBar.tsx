import { colourAt, COLOUR_MAPS } from '@core/method/scale/colourMaps';
import type { Scale } from '@core/method/scale/scale';

/** The colours of a scale as a CSS gradient. */
export function scaleGradient(scale: Scale, direction: 'to top' | 'to right'): string {
  const stops = COLOUR_MAPS[scale.map].stops.map(([position]) => {
    const [r, g, b] = colourAt(scale.map, position);
    return `rgb(${r} ${g} ${b}) ${(position * 100).toFixed(0)}%`;
  });
  return `linear-gradient(${direction}, ${stops.join(', ')})`;
}
