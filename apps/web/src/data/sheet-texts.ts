/** The invented sheets that come with the program, each fetched when it is asked for. */
export const sheetTexts = (): Record<string, () => Promise<string>> =>
  import.meta.glob<string>('../../../../samples/sheets/*.yaml', { query: '?raw', import: 'default' })
