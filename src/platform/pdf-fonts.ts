import { Font } from '@react-pdf/renderer';
import path from 'node:path';

const FONTS = path.join(process.cwd(), 'node_modules/@fontsource/atkinson-hyperlegible-next/files');

const face = (weight: number) => ({
  src: path.join(FONTS, `atkinson-hyperlegible-next-latin-${weight}-normal.woff`),
  fontWeight: weight,
});

/** Registers the application's face for documents; words are never hyphenated. */
export function registerFonts(): void {
  Font.register({ family: 'Atkinson', fonts: [face(400), face(600), face(800)] });
  Font.registerHyphenationCallback((word) => [word]);
}
