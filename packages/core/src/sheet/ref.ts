/** How a sheet is told from its other revisions. */
export interface SheetRef {
  maker: string
  model: string
  revision: string
}

/** Stable name of a revision, fit for a file name and an address: "aldervane-ah-8t-c". */
export function sheetId({ maker, model, revision }: SheetRef): string {
  return `${maker} ${model} ${revision}`
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
}

export const sheetName = ({ maker, model, revision }: SheetRef): string =>
  `${maker} ${model}, revision ${revision}`
