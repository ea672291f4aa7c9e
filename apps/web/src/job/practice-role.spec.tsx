/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { act, renderHook } from '@testing-library/react'
import { blockers, type CheckId, type Role } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { device } from '../offline/device-database.js'
import { PRACTICE_JOB, firstJobHere } from '../offline/practice-job.js'
import { signOut } from '../offline/sign-in.js'
import { asked, openJob, serverSays } from '../testing/job-on-screen.testing.js'
import { useInspection } from './inspection.js'
import { beginPracticeAgain, practiseAs, usePractisedRole } from './practice-role.js'

const ME = { id: 'p', name: 'Somebody', role: 'inspector' as Role }
const store = () => useInspection.getState()
const pointOf = (id: CheckId) => store().inspection!.checks.find(({ check }) => check.id === id)!.check.point

beforeEach(async () => {
  openJob([])
  serverSays({})
  await store().open(PRACTICE_JOB)
})

async function readTheTape() {
  const { shown, instruments } = await firstJobHere()
  const { checkId, typed } = shown.tape
  const instrument = instruments.find(({ kind }) => kind === 'tape')!
  const figure = { typed, value: Number.parseFloat(typed), unit: 'mm', relation: '=' as const, instrument }
  return store().append(ME, { kind: 'reading', body: { point: pointOf(checkId), ...figure } })
}

it('is made on the device: no server is asked for it, and nothing of it waits to be sent', async () => {
  const before = store().entries.length
  expect(await readTheTape()).toBe(true)
  expect(store().entries).toHaveLength(before + 1)
  expect(store().sync).toBe('kept')
  await store().flush()
  expect(asked).toEqual([])
  expect(await device.batches.count()).toBe(0)
  expect(await device.jobs.count()).toBe(0)
})

it('goes on where it was left, and continues its chain', async () => {
  await readTheTape()
  const { entries } = store()
  useInspection.setState({ jobId: undefined })
  await store().open(PRACTICE_JOB)
  expect(store().entries).toEqual(entries)
  for (const [i, { prev }] of entries.entries()) expect(prev).toBe(entries[i - 1]?.hash ?? '')
})

it('takes only what continues it: of two pages that went on by themselves one counts, and neither breaks it', async () => {
  await readTheTape()
  const [mine] = JSON.parse(localStorage.getItem('plumb-mark-practice-job')!) as { hash: string }[]
  const before = store().entries.length
  localStorage.setItem(
    'plumb-mark-practice-job',
    JSON.stringify([mine, { prev: 'elsewhere', hash: 'x' }, null]),
  )
  useInspection.setState({ jobId: undefined })
  await store().open(PRACTICE_JOB)
  expect(store().entries).toHaveLength(before)
})

it('begins again as it was prepared', async () => {
  const inTheWay = blockers(store().inspection!).length
  await readTheTape()
  expect(blockers(store().inspection!).length).toBe(inTheWay - 1)
  practiseAs('reviewer')
  await act(() => beginPracticeAgain(PRACTICE_JOB))
  expect(blockers(store().inspection!).length).toBe(inTheWay)
})

it('what a program of before kept, or somebody garbled, is left behind', async () => {
  const before = store().entries.length
  for (const kept of ['{', '[]', '[{"seq":3,"prev":"elsewhere"}]', 'null']) {
    localStorage.setItem('plumb-mark-practice-job', kept)
    useInspection.setState({ jobId: undefined })
    await store().open(PRACTICE_JOB)
    expect(store().problem).toBeUndefined()
    expect(store().entries).toHaveLength(before)
  }
})

it('gives the role that is practised in it alone: whoever leaves it is who they were', () => {
  const role = () => useSession.getState().person?.role
  practiseAs('inspector')
  const { rerender, unmount } = renderHook(({ jobId }) => usePractisedRole(jobId), {
    initialProps: { jobId: PRACTICE_JOB },
  })
  act(() => practiseAs('reviewer'))
  expect(role()).toBe('reviewer')
  act(() => practiseAs('installer'))
  expect(role()).toBe('installer')
  rerender({ jobId: 'j' })
  expect(role()).toBe('inspector')
  rerender({ jobId: PRACTICE_JOB })
  expect(role()).toBe('installer')
  unmount()
  expect(role()).toBe('inspector')
})

it('is forgotten by whoever signs out, and does not bring them back', async () => {
  await readTheTape()
  const { unmount } = renderHook(() => usePractisedRole(PRACTICE_JOB))
  await act(() => signOut())
  unmount()
  expect(useSession.getState().person).toBeNull()
  expect(localStorage.getItem('plumb-mark-practice-job')).toBeNull()
})
