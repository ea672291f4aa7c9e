/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { sha256 } from '@noble/hashes/sha2'
import { bytesToHex } from '@noble/hashes/utils'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import type { PhotoRef } from '@plumb-mark/core'
import { device } from '../offline/device-database.js'
import { asked, onScreen, openJob } from '../testing/job-on-screen.testing.js'
import { pictureOf } from '../testing/picture.testing.js'
import { PhotoPicker, Photos } from './photo-picker.js'

const user = userEvent.setup()
let kept: readonly PhotoRef[] = []
function Picker({ caption }: { caption?: string }) {
  const [photos, setPhotos] = useState<PhotoRef[]>([])
  const change = (next: PhotoRef[]) => {
    setPhotos(next)
    kept = next
  }
  return <PhotoPicker photos={photos} onChange={change} {...(caption && { caption })} />
}
const file = (name: string, content: BlobPart = pictureOf(400)) =>
  new File([content], name, { type: 'image/jpeg' })

beforeEach(() => {
  openJob([])
  kept = []
  URL.createObjectURL = () => 'blob:here'
  URL.revokeObjectURL = () => undefined
})

it('photos are kept on this device as they are taken, under the digest of what they are; nothing is sent yet', async () => {
  onScreen(<Picker />)
  await user.upload(screen.getByLabelText('Photo'), [file('one.jpg'), file('two.jpg', pictureOf(500))])
  await waitFor(() => expect(screen.getByAltText('two.jpg').getAttribute('src')).toBe('blob:here'))
  const digest = (bytes: Uint8Array) => bytesToHex(sha256(bytes))
  expect(kept).toMatchObject([
    { sha256: digest(pictureOf(400)), caption: 'one.jpg' },
    { sha256: digest(pictureOf(500)), caption: 'two.jpg' },
  ])
  expect(await device.photos.toArray()).toMatchObject(
    kept.map(({ id, sha256 }) => ({ id, sha256, jobId: 'j' })),
  )
  expect(asked).toEqual([])
})

it('of two that are taken one right after the other neither takes the place of the other', async () => {
  onScreen(<Picker />)
  const input = screen.getByLabelText<HTMLInputElement>('Photo')
  // In one go: the first is still being read when the second is chosen.
  for (const one of [file('one.jpg'), file('two.jpg', pictureOf(500))])
    fireEvent.change(input, { target: { files: [one] } })
  await waitFor(() => expect(kept.map(({ caption }) => caption).sort()).toEqual(['one.jpg', 'two.jpg']))
})

it('a place that is asked for gives the caption', async () => {
  onScreen(<Picker caption="nameplate" />)
  await user.upload(screen.getByLabelText('Photo'), file('IMG_1.jpg'))
  expect(await screen.findByRole('button', { name: 'Caption and mark: nameplate' })).toBeInTheDocument()
})

it('what is no picture is told while the thing is still in front of the camera, and nothing names it', async () => {
  globalThis.createImageBitmap = () => Promise.reject(new Error('cannot be decoded'))
  onScreen(<Picker />)
  await user.upload(screen.getByLabelText('Photo'), file('one.jpg'))
  expect((await screen.findByRole('alert')).textContent).toBe('The photo was not kept: that is no picture')
  expect([kept, await device.photos.count()]).toEqual([[], 0])
  Reflect.deleteProperty(globalThis, 'createImageBitmap')
})

it('small copies lead to the whole picture', async () => {
  onScreen(<Photos photos={[{ id: 'p', sha256: 'd', caption: 'dent' }]} />)
  await waitFor(() =>
    expect(screen.getByAltText('dent').getAttribute('src')).toBe('/api/jobs/j/photos/p?size=small'),
  )
  expect(screen.getByRole('link').getAttribute('href')).toBe('/api/jobs/j/photos/p')
})
