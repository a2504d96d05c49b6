import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Font } from '@react-pdf/renderer'

/** Text, and figures that are read off, each with its signs beyond Latin behind it. */
export const TEXT = ['Next', 'Next more']
export const FIGURES = ['Mono', 'Mono more']

const FAMILIES = 'node_modules/@fontsource'

/** Where the packages lie, from the folder of the running program upwards. */
function packages(folder: string): string {
  if (existsSync(join(folder, FAMILIES))) return join(folder, FAMILIES)
  if (dirname(folder) === folder) throw new Error('the fonts of papers are not installed')
  return packages(dirname(folder))
}

const file = (family: string, part: string, weight: number): string =>
  join(
    packages(dirname(fileURLToPath(import.meta.url))),
    `atkinson-hyperlegible-${family}/files/atkinson-hyperlegible-${family}-${part}-${weight}-normal.woff`,
  )

/** The fonts of the application, embedded in each paper. */
export function registerFonts(): void {
  for (const [name, family] of [
    ['Next', 'next'],
    ['Mono', 'mono'],
  ] as const)
    for (const [suffix, part] of [
      ['', 'latin'],
      [' more', 'latin-ext'],
    ] as const)
      Font.register({
        family: `${name}${suffix}`,
        fonts: [400, 700].map((fontWeight) => ({ src: file(family, part, fontWeight), fontWeight })),
      })
  // Words stay whole: a figure that is cut in two is a wrong figure.
  Font.registerHyphenationCallback((word) => [word])
}
