/** What every canvas of these tests comes to as a picture. */
export const PNG = `data:image/png;base64,${'A'.repeat(60)}`

/** A canvas that takes every stroke, where there is none to draw on. */
export function canvasThatDraws(): void {
  const pen = new Proxy({}, { get: () => () => ({ width: 100 }), set: () => true })
  HTMLCanvasElement.prototype.getContext = (() => pen) as never
  HTMLCanvasElement.prototype.toDataURL = () => PNG
}
