/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import type { PhotoRef } from '@plumb-mark/core'
import { asked, onScreen, openJob, refusal } from '../../testing/job-on-screen.testing.js'
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
const file = (name: string) => new File(['x'], name, { type: 'image/jpeg' })
const answering = (answer: (n: number) => Response) => {
  let n = 0
  globalThis.fetch = (async (address: string, { method = 'GET' } = {} as { method?: string }) => (
    asked.push({ method, address, body: undefined }),
    answer(n++)
  )) as unknown as typeof fetch
}

beforeEach(() => {
  openJob([])
  kept = []
})

it('photos are sent as they are taken, and named by what the server kept', async () => {
  answering((n) => new Response(JSON.stringify({ sha256: `digest ${n}` })))
  onScreen(<Picker />)
  await user.upload(screen.getByLabelText('Photo'), [file('one.jpg'), file('two.jpg')])
  expect(await screen.findByAltText('two.jpg')).toBeInTheDocument()
  expect(kept).toMatchObject([
    { sha256: 'digest 0', caption: 'one.jpg' },
    { sha256: 'digest 1', caption: 'two.jpg' },
  ])
  expect(
    asked.every(({ method, address }) => method === 'PUT' && address.startsWith('/api/jobs/j/photos/')),
  ).toBe(true)
})

it('a place that is asked for gives the caption', async () => {
  answering(() => new Response(JSON.stringify({ sha256: 'd' })))
  onScreen(<Picker caption="nameplate" />)
  await user.upload(screen.getByLabelText('Photo'), file('IMG_1.jpg'))
  expect(await screen.findByRole('button', { name: 'Caption and mark: nameplate' })).toBeInTheDocument()
})

it('of a photo that was not kept the reason is said, and nothing names it', async () => {
  answering(() => refusal(400, 'not-a-photo', 'that is no picture'))
  onScreen(<Picker />)
  await user.upload(screen.getByLabelText('Photo'), file('one.jpg'))
  expect((await screen.findByRole('alert')).textContent).toBe('The photo was not kept: that is no picture')
  expect(kept).toEqual([])
})

it('small copies lead to the whole picture', () => {
  onScreen(<Photos photos={[{ id: 'p', sha256: 'd', caption: 'dent' }]} />)
  expect(screen.getByRole('link').getAttribute('href')).toBe('/api/jobs/j/photos/p')
  expect(screen.getByAltText('dent').getAttribute('src')).toBe('/api/jobs/j/photos/p?size=small')
})
