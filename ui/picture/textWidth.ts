let context: CanvasRenderingContext2D | null = null;

/** Width of a mark's label, CSS pixels; measured in the font that is shown, in the browser only. */
export function labelWidth(text: string): number {
  context ??= document.createElement('canvas').getContext('2d');
  if (!context) return text.length * 7;
  const family = getComputedStyle(document.documentElement).getPropertyValue('--font-figtree') || 'sans-serif';
  context.font = `600 12px ${family}`;
  return Math.ceil(context.measureText(text).width) + 4;
}
