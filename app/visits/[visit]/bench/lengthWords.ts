import type { ShapeSize } from '@core/method/frame/metric';

/** A length as people say it on site: millimetres below 10 cm, centimetres below 1 m. */
export function lengthWords(metres: number): string {
  if (metres < 0.1) return `${(1000 * metres).toFixed(0)} mm`;
  if (metres < 1) return `${(100 * metres).toFixed(0)} cm`;
  return `${metres.toFixed(2)} m`;
}

export function areaWords(squareMetres: number): string {
  return squareMetres < 0.1 ? `${(1e4 * squareMetres).toFixed(0)} cm²` : `${squareMetres.toFixed(2)} m²`;
}

/** What a shape measures, or why it has no size. */
export function sizeWords(size: ShapeSize): string {
  if ('problem' in size)
    return size.problem === 'crossed'
      ? 'its outline crosses itself: no size'
      : 'reaches beyond the vanishing line of the marked plane: no size';
  return size.squareMetres > 0 ? `${lengthWords(size.metres)} round, ${areaWords(size.squareMetres)}` : lengthWords(size.metres);
}
