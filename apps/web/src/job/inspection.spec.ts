/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { waitFor } from '@testing-library/react'
import type { Entry, Person } from '@plumb-mark/core'
import {
  KEPT_HASH,
  openJob,
  refusal,
  sampleSheet,
  serverSays,
  type Change,
} from '../testing/job-on-screen.testing.js'
import { useInspection } from './inspection.js'
import { addToOutbox, waiting } from '../offline/outbox.js'
import { useSetAside } from '../offline/set-aside.js'
import { useSession } from '../data/session.js'

const BY: Person = { id: 'p', name: 'Somebody', role: 'inspector' }
const SHEET = sampleSheet('aldervane-dx-4-a')
const UNIT: Change = {
  kind: 'unit-fitted',
  body: { id: 'u', label: 'Isolator', sheetId: 'aldervane-dx-4-a' },
}
const WALL: Change = {
  kind: 'wall-measured',
  body: { id: 'w', title: 'W', leftCorner: true, rightCorner: false, uncertainty: 0 },
}
const state = () => useInspection.getState()
const labels = () => state().inspection!.state.asBuilt.units.map(({ label }) => label)

beforeEach(() => {
  openJob([UNIT, WALL], { sheets: [SHEET] })
  useSession.setState({ person: BY })
})

it('what is appended is judged at once, waits on this device, and is linked when the server has it', async () => {
  state().append(BY, { kind: 'unit-fitted', body: { ...UNIT.body, label: 'renamed' } as never })
  expect([labels(), state().sync, (await waiting('j', BY.id)).length]).toEqual([['renamed'], 'sending', 1])
  await waitFor(() => expect(state().sync).toBe('kept'))
  expect([state().entries.at(-1)!.hash, (await waiting('j', BY.id)).length]).toEqual([KEPT_HASH, 0])
})

it('what the server refuses is set aside whole, with its reason, and can be sent again', async () => {
  serverSays({ 'POST /api/jobs/j/entries': refusal(409, 'sealed', 'the job is sealed') })
  state().append(BY, { kind: 'unit-removed', body: { unitId: 'u' } })
  expect(labels()).toEqual([])
  await waitFor(() => expect(state().refusal).toBe('the job is sealed'))
  expect(labels()).toEqual(['Isolator'])
  state().dismissRefusal()
  expect(state().refusal).toBeUndefined()
  const [aside] = useSetAside.getState().list
  expect(aside).toMatchObject({
    jobId: 'j',
    by: BY.id,
    reason: 'the job is sealed',
    entries: [{ body: { unitId: 'u' } }],
  })
  await state().sendAgain(aside!)
  expect([(await waiting('j', BY.id)).length, useSetAside.getState().list]).toEqual([1, []])
})

it('without signal it says that it waits, and nothing is lost', async () => {
  globalThis.fetch = (() => Promise.reject(new TypeError('no signal'))) as typeof fetch
  state().append(BY, { kind: 'unit-removed', body: { unitId: 'u' } })
  await waitFor(() => expect(state().sync).toBe('waiting'))
  expect([labels(), (await waiting('j', BY.id)).length]).toEqual([[], 1])
  serverSays({})
  await state().flush()
  expect([state().sync, (await waiting('j', BY.id)).length]).toEqual(['kept', 0])
})

it('a job that is opened again takes up what this device had not sent, after what the server has', async () => {
  await addToOutbox('j', BY.id, [
    { id: 'mine', kind: 'unit-removed', at: '2026-06-02T00:00:00Z', body: { unitId: 'u' } },
  ])
  const { entries, instruments } = state()
  globalThis.fetch = (async (_address: string, { method = 'GET' } = {} as { method?: string }) => {
    if (method !== 'GET') throw new TypeError('no signal')
    return new Response(JSON.stringify({ entries, sheets: [SHEET], instruments }))
  }) as unknown as typeof fetch
  await state().open('j')
  expect(state().entries.map(({ id }) => id)).toEqual([...entries.map(({ id }) => id), 'mine'])
  expect(labels()).toEqual([])
})

it('an entry that the server has already is not shown twice', async () => {
  await addToOutbox('j', BY.id, [
    { id: 'e1', kind: 'unit-fitted', at: '2026-06-02T00:00:00Z', body: UNIT.body as never },
  ])
  const { entries, instruments } = state()
  serverSays({ 'GET /api/jobs/j': { entries, sheets: [SHEET], instruments } })
  await state().open('j')
  expect(state().entries).toHaveLength(entries.length)
})

it('a job that cannot be had says why', async () => {
  serverSays({ 'GET /api/jobs/k': refusal(404, 'unknown-job', 'there is no such job') })
  await state().open('k')
  expect([state().problem, state().inspection]).toEqual(['there is no such job', undefined])
})

it('a draft is judged without being kept, and gone when it is let go', () => {
  const kept = state().committed!
  const asBuilt = { ...kept.state.asBuilt, units: [] }
  state().preview(asBuilt)
  expect([state().inspection!.checks.length, state().committed, state().entries.length]).toEqual([0, kept, 3])
  state().preview(undefined)
  expect(state().inspection).toBe(kept)
})

it('a sheet of the library is fetched with its fingerprint, to be pinned', async () => {
  serverSays({
    'GET /api/sheets/aldervane-ah-8t-c': { sheet: sampleSheet('aldervane-ah-8t-c'), fingerprint: 'f' },
  })
  expect(await state().addSheet('aldervane-ah-8t-c')).toEqual({
    id: 'aldervane-ah-8t-c',
    maker: 'Aldervane',
    model: 'AH-8T',
    revision: 'C',
    fingerprint: 'f',
  })
  expect(state().sheets.has('aldervane-ah-8t-c')).toBe(true)
})

it('several appended together are one batch, in their order', async () => {
  state().append(BY, { kind: 'unit-removed', body: { unitId: 'u' } }, UNIT as never)
  const made = state().entries.slice(-2) as Entry[]
  expect(made.map(({ kind, seq }) => [kind, seq])).toEqual([
    ['unit-removed', 4],
    ['unit-fitted', 5],
  ])
  await waitFor(() => expect(state().sync).toBe('kept'))
})

it('what a colleague enters meanwhile is taken in before what this device has not sent, once, and a draft stays', async () => {
  globalThis.fetch = (() => Promise.reject(new TypeError('no signal'))) as typeof fetch
  state().append(BY, { kind: 'unit-fitted', body: { ...UNIT.body, label: 'mine' } as never })
  const draft = { ...state().committed!.state.asBuilt, walls: [] }
  state().preview(draft)
  const [first] = state().entries
  const theirs = {
    ...first!,
    id: 'theirs',
    kind: 'unit-fitted',
    seq: 4,
    hash: 'x',
    at: '2026-06-01T07:00:00Z',
    body: { ...UNIT.body, id: 'v', label: 'theirs' },
  } as Entry
  state().takeIn([theirs])
  state().takeIn([theirs])
  expect(
    state()
      .entries.map(({ id }) => id)
      .filter((id) => id === 'theirs'),
  ).toHaveLength(1)
  expect(state().entries.at(-1)!.body).toMatchObject({ label: 'mine' })
  expect(labels().sort()).toEqual(['mine', 'theirs'])
  expect([state().draft, (await waiting('j', BY.id)).length]).toEqual([draft, 1])
  state().preview(undefined)
  expect(labels().sort()).toEqual(['mine', 'theirs'])
})

it('entries that were missed while the line was down are fetched, and what is being typed stays', async () => {
  const { entries, instruments } = state()
  const put = (seq: number, label: string) =>
    ({
      ...entries[0]!,
      id: label,
      kind: 'unit-fitted',
      seq,
      hash: label,
      body: { ...UNIT.body, id: label, label },
    }) as Entry
  const all = [...entries, put(4, 'missed'), put(5, 'last')]
  serverSays({ 'GET /api/jobs/j': { entries: all, sheets: [SHEET], instruments } })
  const draft = { ...state().committed!.state.asBuilt, walls: [] }
  state().preview(draft)
  state().takeIn([all[4]!])
  await waitFor(() => expect(state().entries).toHaveLength(5))
  expect(labels().sort()).toEqual(['Isolator', 'last', 'missed'])
  expect([state().draft, state().inspection!.walls]).toEqual([draft, []])
})
