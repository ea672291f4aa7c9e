import type { PlateField } from '@plumb-mark/manual'

export type PlateAsked =
  | { warm: true }
  | { photo: { width: number; height: number; data: Uint8ClampedArray }; fields: PlateField[]; scanned: string | undefined }
export type PlateTold =
  | { kind: 'ready' }
  | { kind: 'read'; proposals: ReadLine[] }
  | { kind: 'refused'; message: string }

/** What was read for a field, with the piece of the photo that says so. */
export interface ReadLine {
  id: string
  value: string
  picture: Blob
}

let worker: Worker | undefined
const running = (): Worker =>
  (worker ??= new Worker(new URL('./plate.worker.ts', import.meta.url), { type: 'module' }))

let last: Promise<unknown> = Promise.resolve()

/** One after the other: what the worker says next is the answer to what it was asked last. */
function ask(asked: PlateAsked): Promise<PlateTold> {
  const answer = last.then(
    () =>
      new Promise<PlateTold>((resolve, reject) => {
        const to = running()
        to.onmessage = ({ data }: MessageEvent<PlateTold>) => resolve(data)
        to.onerror = ({ message }) => {
          worker = undefined
          reject(new Error(`the recogniser does not start: ${message}`))
        }
        to.postMessage(asked)
      }),
  )
  last = answer.catch(() => undefined)
  return answer
}

/** Loads the recogniser while there is signal: from then on it is on the device. */
export const warmRecogniser = (): Promise<unknown> => ask({ warm: true })

/** Reads the lines that a form asks for off a photo of a nameplate. Refused with the reason as its message. */
export async function readNameplate(photo: Blob, fields: PlateField[]): Promise<ReadLine[]> {
  const picture = await createImageBitmap(photo)
  // More dots than this are made smaller at once: they say nothing more.
  const scale = Math.min(1, MOST / Math.max(picture.width, picture.height))
  const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale))
  const context = canvas.getContext('2d', { willReadFrequently: true })!
  context.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  const { width, height, data } = context.getImageData(0, 0, canvas.width, canvas.height)
  const told = await ask({ photo: { width, height, data }, fields, scanned: await codeIn(photo) })
  if (told.kind === 'refused') throw new Error(told.message)
  return told.kind === 'read' ? told.proposals : []
}
const MOST = 2200

/** The barcode on the plate, where there is one: it confirms what was read in letters. */
async function codeIn(photo: Blob): Promise<string | undefined> {
  const { BrowserMultiFormatReader } = await import('@zxing/browser')
  const address = URL.createObjectURL(photo)
  try {
    return (await new BrowserMultiFormatReader().decodeFromImageUrl(address)).getText()
  } catch {
    return undefined
  } finally {
    URL.revokeObjectURL(address)
  }
}
