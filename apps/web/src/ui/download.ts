/** Hands a file made on this device to the person. */
export function download(name: string, content: string | Blob, type = 'image/svg+xml'): void {
  const address = URL.createObjectURL(typeof content === 'string' ? new Blob([content], { type }) : content)
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  URL.revokeObjectURL(address)
}
