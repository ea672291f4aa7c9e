import { count, list, num, object, optional, text, type Read } from '../shape/shape.js'

/** Where in the maker's manual a demand stands: the page of the file from 1, and the box on it. */
export const placeInManual = object(
  {
    page: count('of the file, from 1'),
    box: optional(
      list(num({ min: 0 }), {
        mayBeEmpty: true,
        about: 'left, top, right and bottom in points from the upper left corner of the page',
      }),
    ),
  },
  'where the manual says so',
)
export type PlaceInManual = Read<typeof placeInManual>

/** The file that a sheet was read from. */
export const manualOfSheet = object(
  {
    digest: text('SHA-256 of the file, hexadecimal'),
    title: optional(text()),
    edition: optional(text()),
    pages: optional(count()),
    clippings: optional(text('SHA-256 of the file with the cut-outs of its places, hexadecimal')),
    decided: optional(
      list(object({ what: text(), by: text(), on: text('YYYY-MM-DD') }), {
        mayBeEmpty: true,
        about: 'where the manual says two things: which one counts, who decided so, and when',
      }),
    ),
    notDemanded: optional(
      list(object({ what: text(), by: text(), on: text('YYYY-MM-DD') }), {
        mayBeEmpty: true,
        about: 'what such sheets usually demand, and this maker does not: who said so, and when',
      }),
    ),
  },
  'the maker’s manual, kept under its digest',
)
export type ManualOfSheet = Read<typeof manualOfSheet>

/** Every place in the manual that a sheet names. */
export const printedPlaces = ({
  terminals,
  requirements,
}: {
  terminals: readonly { printed?: PlaceInManual | undefined }[]
  requirements: readonly { printed?: PlaceInManual | undefined }[]
}): PlaceInManual[] => [...terminals, ...requirements].flatMap(({ printed }) => (printed ? [printed] : []))
