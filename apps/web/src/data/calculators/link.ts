/** A form as it was typed, in an address: a link that carries the inputs. */
export function toLink(draft: unknown): string {
  const bytes = new TextEncoder().encode(JSON.stringify(draft))
  let text = ''
  for (const byte of bytes) text += String.fromCharCode(byte)
  return btoa(text).replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '')
}

/** Undefined when the address carries nothing, or nothing that can be read. */
export function fromLink(text: string | null): Record<string, unknown> | undefined {
  if (!text) return undefined
  try {
    const bytes = Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (char) =>
      char.charCodeAt(0),
    )
    const draft: unknown = JSON.parse(new TextDecoder().decode(bytes))
    return typeof draft === 'object' && draft !== null && !Array.isArray(draft)
      ? (draft as Record<string, unknown>)
      : undefined
  } catch {
    return undefined
  }
}
