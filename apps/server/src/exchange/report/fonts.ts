import { createRequire } from 'node:module'

const { resolve } = createRequire(import.meta.url)
const barlow = (weight: string) => resolve(`@expo-google-fonts/barlow/${weight}/Barlow_${weight}.ttf`)
const mono = (weight: string) =>
  resolve(`@expo-google-fonts/spline-sans-mono/${weight}/SplineSansMono_${weight}.ttf`)

/** Shipped with the program and embedded in every report. */
export const FONTS = {
  Barlow: {
    normal: barlow('400Regular'),
    bold: barlow('600SemiBold'),
    italics: barlow('400Regular_Italic'),
    bolditalics: barlow('600SemiBold_Italic'),
  },
  Figures: {
    normal: mono('400Regular'),
    bold: mono('500Medium'),
    italics: mono('400Regular'),
    bolditalics: mono('500Medium'),
  },
}
export const FONT_FILES = new Set(Object.values(FONTS).flatMap((font) => Object.values(font)))
