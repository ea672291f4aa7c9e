/** Hands a file made on this device to the person. */
export function download(name: string, content: string | Blob, type = 'image/svg+xml'): void {
  const address = URL.createObjectURL(typeof content === 'string' ? new Blob([content], { type }) : content)
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  URL.revokeObjectURL(address)
}

/** A cell that a spreadsheet would take for a formula is made plain text (RFC 4180 has no word for it). */
export const csvCell = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)
