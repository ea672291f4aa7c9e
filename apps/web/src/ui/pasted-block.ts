/**
 * A block of cells from a spreadsheet, in place of the text that would have been pasted; undefined where it is a text of one cell. A comma
 * separates nothing: it may be the decimal mark. An empty first cell is a cell.
 */
export async function pastedBlock(event: React.ClipboardEvent): Promise<string[][] | undefined> {
  const text = event.clipboardData.getData('text/plain').replace(/(\r?\n)+$/, '')
  if (!/[\t\n]/.test(text)) return undefined
  event.preventDefault()
  const { default: Papa } = await import('papaparse')
  return Papa.parse<string[]>(text, { delimiter: text.includes('\t') ? '\t' : ';' }).data
}
