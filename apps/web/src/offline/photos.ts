import { sha256 } from '@noble/hashes/sha2'
import { bytesToHex } from '@noble/hashes/utils'
import { liveQuery } from 'dexie'
import { useEffect, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { create } from 'zustand'
import type { PhotoKept, PhotoPart } from '@plumb-mark/contract'
import { rebuiltPhoto, type JobId, type PersonId, type PhotoId, type PhotoRef } from '@plumb-mark/core'
import { ApiError, get, putBytes, putFile } from '../data/api.js'
import { device, type WaitingPhoto } from './device-database.js'

/** On a line that drops every few seconds a part still gets through. */
const PART_BYTES = 256 * 1024

export const photoAddress = (jobId: JobId, id: PhotoId, small = false) =>
  `/api/jobs/${jobId}/photos/${id}${small ? '?size=small' : ''}`

interface Sending {
  /** The photo that is on its way, and how much of it has arrived, 0 to 1. */
  now?: { id: PhotoId; part: number } | undefined
  /** Photos that this device could not keep: they are in this page alone. */
  onlyHere: readonly WaitingPhoto[]
}
export const usePhotoSending = create<Sending>(() => ({ onlyHere: [] }))

/** The browser's own is many times faster, and is there over TLS and on loopback only. */
async function digestOf(bytes: Uint8Array): Promise<string> {
  const own = (globalThis.crypto as Partial<Crypto> | undefined)?.subtle
  return bytesToHex(own ? new Uint8Array(await own.digest('SHA-256', bytes as BufferSource)) : sha256(bytes))
}

/** As the server has it: better said here, while the thing is still in front of the camera. */
const LARGEST_BYTES = 20 * 1024 * 1024

/** Throws, in words, what the server would refuse an hour later together with the entry. */
async function requirePicture(file: Blob): Promise<void> {
  if (file.size > LARGEST_BYTES) throw new Error('a photo may have 20 MB')
  if (typeof createImageBitmap === 'undefined') return
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error('that is no picture')
  })
  picture.close()
}

/** Keeps a photo on this device until the server has it, with nothing beside the picture; the place where it was taken only where the job asks for it. */
export async function keepPhoto(
  jobId: JobId,
  by: PersonId,
  file: Blob,
  { tellsPlace = false }: { tellsPlace?: boolean | undefined } = {},
): Promise<PhotoRef> {
  await requirePicture(file)
  const whole = new Uint8Array(await file.arrayBuffer())
  const bytes = rebuiltPhoto(whole, { tellsPlace })
  if (!bytes) throw new Error('only whole JPEG, PNG and WebP pictures are taken')
  const photo: WaitingPhoto = {
    id: uuid(),
    jobId,
    by,
    bytes,
    type: file.type,
    sha256: await digestOf(bytes),
    takenAt: new Date().toISOString(),
  }
  try {
    await device.photos.put(photo)
  } catch {
    usePhotoSending.setState(({ onlyHere }) => ({ onlyHere: [...onlyHere, photo] }))
  }
  return { id: photo.id, sha256: photo.sha256 }
}

const waitingPhoto = async (id: PhotoId): Promise<WaitingPhoto | undefined> =>
  usePhotoSending.getState().onlyHere.find((photo) => photo.id === id) ??
  (await device.photos.get(id).catch(() => undefined))

/** Sends those of these photos that are still on this device, the smallest first, one after the other; resolves when the server has them all. */
export async function sendPhotos(ids: readonly PhotoId[]): Promise<void> {
  const found = await Promise.all(ids.map(waitingPhoto))
  const waiting = found.filter((photo) => photo !== undefined)
  waiting.sort((a, b) => a.bytes.length - b.bytes.length)
  try {
    for (const photo of waiting) await sendPhoto(photo)
  } finally {
    usePhotoSending.setState({ now: undefined })
  }
}

async function sendPhoto(photo: WaitingPhoto): Promise<void> {
  const address = photoAddress(photo.jobId, photo.id)
  const { bytes, type, id } = photo
  usePhotoSending.setState({ now: { id, part: 0 } })
  const kept =
    bytes.length <= PART_BYTES
      ? await putFile<PhotoKept>(address, 'photo', new Blob([bytes as BlobPart], { type }))
      : await sendInParts(address, photo)
  // A door on the way may answer with success and know of nothing: the photo leaves the device only when it is named.
  if (kept?.id !== id || kept.sha256 !== photo.sha256)
    throw new ApiError(0, 'unreachable', 'what answered is not the server', undefined, false)
  await rememberPicture(address, photo)
  await forgetPhotos([id])
}

async function sendInParts(address: string, { id, bytes }: WaitingPhoto): Promise<PhotoKept | undefined> {
  let { have, kept } = await get<PhotoPart>(`${address}/part`)
  if (!(have < bytes.length)) have = 0
  while (!kept) {
    const part = bytes.subarray(have, have + PART_BYTES)
    const next = await putBytes<PhotoPart>(`${address}/part?from=${have}&of=${bytes.length}`, part)
    if (!next.kept && !(next.have > have)) return undefined
    ;({ have, kept } = next)
    usePhotoSending.setState({ now: { id, part: have / bytes.length } })
    if (have >= bytes.length) break
  }
  return kept
}

/** Where the photos that were shown are kept for work without signal. */
export const PHOTO_CACHE = 'plumb-mark-photos'

/** What was taken on this device can still be looked at on it. */
async function rememberPicture(address: string, { bytes, type }: WaitingPhoto): Promise<void> {
  if (typeof caches === 'undefined') return
  const cache = await caches.open(PHOTO_CACHE).catch(() => undefined)
  const answer = () => new Response(bytes as BodyInit, { headers: { 'content-type': type } })
  await cache?.put(address, answer()).catch(() => undefined)
}

/** Lets photos go that the server has, or that somebody discarded with the entry that showed them. */
export async function forgetPhotos(ids: readonly PhotoId[]): Promise<void> {
  await device.photos.bulkDelete([...ids]).catch(() => undefined)
  usePhotoSending.setState(({ onlyHere }) => ({ onlyHere: onlyHere.filter(({ id }) => !ids.includes(id)) }))
}

/** Where a photo can be looked at now: on this device as long as the server does not have it. Undefined for the moment until that is known. */
export function usePhotoAddress(jobId: JobId | undefined, id: PhotoId, small = false): string | undefined {
  const [address, setAddress] = useState<string>()
  useEffect(() => {
    let local: string | undefined
    const show = (photo: WaitingPhoto | undefined) => {
      // A picture that is shown already stays as it is when the server has it too.
      if (photo) local ??= URL.createObjectURL(new Blob([photo.bytes as BlobPart], { type: photo.type }))
      setAddress(local ?? photoAddress(jobId ?? '', id, small))
    }
    const following = liveQuery(() => waitingPhoto(id)).subscribe({
      next: show,
      error: () => show(undefined),
    })
    return () => {
      following.unsubscribe()
      if (local) URL.revokeObjectURL(local)
    }
  }, [jobId, id, small])
  return address
}
