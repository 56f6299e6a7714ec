import { Font } from '@react-pdf/renderer';
import { inRoot } from '../root';

const FACES = [
  ['400Regular', 400],
  ['600SemiBold', 600],
  ['700Bold', 700],
] as const;

export const FONT_FAMILY = ['Figtree', 'Noto Sans'];

/** Whole fonts: a subset loses signs such as − and ± without a word. The second has Greek, Cyrillic and more. */
export function registerFonts(): void {
  for (const [family, folder, stem] of [
    ['Figtree', 'figtree', 'Figtree'],
    ['Noto Sans', 'noto-sans', 'NotoSans'],
  ] as const) {
    Font.register({
      family,
      fonts: FACES.map(([face, fontWeight]) => ({
        src: inRoot('node_modules/@expo-google-fonts', folder, face, `${stem}_${face}.ttf`),
        fontWeight,
      })),
    });
  }
  Font.registerHyphenationCallback((word) => [word]);
}
